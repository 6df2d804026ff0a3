// A whole orchard from its archive, where none stands yet: what comes in, and what came.

import type { ArchiveReport } from '@mortisect/contracts';
import { useSay } from '../../data/useSay';
import type { useImportArchive } from '../../data/writes';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Body, Small } from '../../ui/type';

export function WholeArchive({ bringing }: { bringing: ReturnType<typeof useImportArchive> }) {
  const say = useSay();
  const { data: report, isPending, error } = bringing;
  return (
    <>
      <Failed title={say('shared.nothingWasReadNothingWasChanged')} error={error} />
      {isPending ? <Small role="status">{say('round.bringingTheOrchardIn')}</Small> : null}
      {report ? <CameIn report={report} /> : <Body>{say('round.thisServerHasNoTreesYetSo')}</Body>}
    </>
  );
}

function CameIn({ report }: { report: ArchiveReport }) {
  const say = useSay();
  const { trees, findings, actions, hours, photos, aside } = report;
  const brought = [
    ...(findings > 0 ? [say('round.findings3', { findings })] : []),
    ...(actions > 0 ? [say('round.thingsDone', { actions })] : []),
    ...(hours > 0 ? [say('round.hoursOfWeather', { hours })] : []),
    ...(photos > 0 ? [say('round.photos', { photos })] : []),
  ];
  return (
    <>
      <Notice kind="said" title={say('round.treesCameIn', { trees })}>
        {say('round.withThem', { more: brought.length > 0 ? brought.join(', ') : say('round.nothingElse') })}
      </Notice>
      {aside.length > 0 ? (
        <Notice
          kind="caution"
          title={
            aside.length === 1
              ? say('round.n1LineLeadsToNothingYet')
              : say('round.linesLeadToNothingYet', { aside: aside.length })
          }
        >
          {say('round.theyAreKeptAndGoOutAgain', {
            aside: aside
              .slice(0, 3)
              .map(({ seq, why }) => say('round.line', { seq, why }))
              .join(' '),
          })}
        </Notice>
      ) : null}
    </>
  );
}
