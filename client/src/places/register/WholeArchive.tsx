// A whole orchard from its archive, where none stands yet: what comes in, and what came.
import type { ArchiveReport } from '@mortisect/contracts';
import type { useImportArchive } from '../../data/writes';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Body, Small } from '../../ui/type';
import { plural } from '../words';

export function WholeArchive({ bringing }: { bringing: ReturnType<typeof useImportArchive> }) {
  const { data: report, isPending, error } = bringing;
  return (
    <>
      <Failed title="Nothing was read, nothing was changed" error={error} />
      {isPending ? <Small role="status">Bringing the orchard in …</Small> : null}
      {report ? (
        <CameIn report={report} />
      ) : (
        <Body>
          This server has no trees yet, so the archive can come in whole: trees with their limb maps,
          findings, everything that was done, settings, weather and photos. The settings of this server give
          way to those of the archive.
        </Body>
      )}
    </>
  );
}

function CameIn({ report }: { report: ArchiveReport }) {
  const { trees, findings, actions, hours, photos, aside } = report;
  const brought = [
    ...(findings > 0 ? [plural(findings, 'finding')] : []),
    ...(actions > 0 ? [`${plural(actions, 'thing')} done`] : []),
    ...(hours > 0 ? [`${plural(hours, 'hour')} of weather`] : []),
    ...(photos > 0 ? [plural(photos, 'photo')] : []),
  ];
  return (
    <>
      <Notice kind="said" title={`${plural(trees, 'tree')} came in`}>
        {`With them: ${brought.length > 0 ? brought.join(', ') : 'nothing else'}.`}
      </Notice>
      {aside.length > 0 ? (
        <Notice
          kind="caution"
          title={
            aside.length === 1 ? '1 line leads to nothing yet' : `${aside.length} lines lead to nothing yet`
          }
        >
          {`They are kept, and go out again with the next archive. ${aside
            .slice(0, 3)
            .map(({ seq, why }) => `Line ${seq}: ${why}`)
            .join(' ')}`}
        </Notice>
      ) : null}
    </>
  );
}
