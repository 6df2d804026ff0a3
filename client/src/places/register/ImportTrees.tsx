// Trees from a file: which column is what, what is wrong row by row, and then the good rows or nothing.
import type { ImportChoices, ImportReport, importFormats } from '@mortisect/contracts';
import { useState } from 'react';
import { useTrees } from '../../data/queries';
import { useImportArchive, useImportTrees } from '../../data/writes';
import { Notice } from '../../ui/Notice';
import { Body } from '../../ui/type';
import { FromFile } from '../FromFile';
import { plural } from '../words';
import { FileReport } from './FileReport';
import { WholeArchive } from './WholeArchive';

type Format = (typeof importFormats)[number];

const NOTHING_SAID: ImportChoices = { starts: {}, kinds: {}, units: {} };

export function ImportTrees() {
  const reading = useImportTrees();
  const bringing = useImportArchive();
  const register = useTrees().data;
  const noTrees = register && register.trees.length === 0;
  /** An archive that can come in whole. */
  const [archive, setArchive] = useState<File | null>(null);
  const [file, setFile] = useState<File | null>(null);
  const [choices, setChoices] = useState(NOTHING_SAID);
  // What was found last stays on screen while the file is read anew
  const [report, setReport] = useState<ImportReport | null>(null);
  const ask = (
    chosen: File,
    take: 'nothing' | 'good',
    given: ImportChoices,
    mapping?: ImportReport['mapping'],
  ) =>
    reading.mutate(
      {
        file: chosen,
        query: {
          format: formatOf(chosen.name),
          take,
          choices: JSON.stringify(given),
          ...(mapping && { mapping: JSON.stringify(mapping) }),
        },
      },
      { onSuccess: setReport },
    );
  const choose = (chosen: File) => {
    const whole = noTrees === true && formatOf(chosen.name) === 'archive';
    bringing.reset();
    setArchive(whole ? chosen : null);
    setFile(whole ? null : chosen);
    setReport(null);
    if (whole) return;
    setChoices(NOTHING_SAID);
    ask(chosen, 'nothing', NOTHING_SAID);
  };
  const say = (next: ImportChoices) => {
    setChoices(next);
    if (file) ask(file, 'nothing', next, report?.mapping);
  };
  const taken = (report !== null && report.written > 0) || bringing.data !== undefined;
  return (
    <FromFile
      title="Trees from a file"
      subtitle="CSV, GeoJSON, the archive or a safe copy of an orchard"
      of="trees"
      accept=".csv,.tsv,.txt,.json,.geojson,.ndjson,.gz,text/csv,application/json,application/geo+json,application/x-ndjson,application/gzip"
      fileName={(file ?? archive)?.name}
      reading={reading}
      waits={noTrees === undefined}
      onChoose={choose}
      taken={taken}
      above={{ label: 'To the register', path: '/round/register' }}
      take={
        archive
          ? {
              label: 'Bring the whole orchard',
              disabled: bringing.isPending,
              onPress: () => bringing.mutate({ file: archive }),
              onNothing: () => setArchive(null),
            }
          : report && file
            ? {
                label: report.good === 0 ? 'No good row' : `Take ${plural(report.good, 'good row')}`,
                disabled: report.good === 0 || reading.isPending,
                onPress: () => ask(file, 'good', choices, report.mapping),
              }
            : null
      }
    >
      {archive ? <WholeArchive bringing={bringing} /> : null}
      {report && taken ? (
        <Notice kind="said" title={`${plural(report.written, 'tree')} written down`}>
          {report.refused > 0
            ? 'The refused rows are still yours: download them below, mend them and read the file again.'
            : 'Every row came in.'}
        </Notice>
      ) : null}
      {report ? (
        <FileReport
          report={report}
          choices={choices}
          onSay={taken ? null : say}
          onMap={taken || !file ? null : (mapping) => ask(file, 'nothing', choices, mapping)}
        />
      ) : archive ? null : (
        <Help />
      )}
    </FromFile>
  );
}

function formatOf(fileName: string): Format {
  if (/\.geojson$/i.test(fileName)) return 'geojson';
  return /\.(nd)?json(\.gz)?$/i.test(fileName) ? 'archive' : 'csv';
}

function Help() {
  return (
    <>
      <Body>
        A CSV file needs a heading row and, for each tree, a code or a name. What else it tells is taken over;
        what it leaves out you say once for all rows, before anything is written. Semicolons, decimal commas,
        units in a cell (3.5 m, 12 ft) and dates such as c. 1990 are understood.
      </Body>
      <Body>
        An archive comes in whole where there are no trees yet: findings, log, settings, weather and photos
        with them. Where trees stand already, only its trees come with their limb maps, without the wood that
        was cut since they were drawn.
      </Body>
      <Body>Nothing is written before you have seen what each row will become.</Body>
    </>
  );
}
