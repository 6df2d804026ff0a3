// Trees from a file: which column is what, what is wrong row by row, and then the good rows or nothing.

import type { ImportChoices, ImportReport, importFormats } from '@mortisect/contracts';
import { useState } from 'react';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useImportArchive, useImportTrees } from '../../data/writes';
import { Notice } from '../../ui/Notice';
import { Body } from '../../ui/type';
import { FromFile } from '../FromFile';
import { FileReport } from './FileReport';
import { WholeArchive } from './WholeArchive';

type Format = (typeof importFormats)[number];

const NOTHING_SAID: ImportChoices = { starts: {}, kinds: {}, units: {} };

export function ImportTrees() {
  const say = useSay();
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
  const settle = (next: ImportChoices) => {
    setChoices(next);
    if (file) ask(file, 'nothing', next, report?.mapping);
  };
  const taken = (report !== null && report.written > 0) || bringing.data !== undefined;
  return (
    <FromFile
      title={say('round.treesFromAFile')}
      subtitle={say('round.csvGeojsonTheArchiveOrASafe')}
      of="trees"
      accept=".csv,.tsv,.txt,.json,.geojson,.ndjson,.gz,text/csv,application/json,application/geo+json,application/x-ndjson,application/gzip"
      fileName={(file ?? archive)?.name}
      reading={reading}
      waits={noTrees === undefined}
      onChoose={choose}
      taken={taken}
      above={{ label: say('round.toTheRegister'), path: '/round/register' }}
      take={
        archive
          ? {
              label: say('round.bringTheWholeOrchard'),
              disabled: bringing.isPending,
              onPress: () => bringing.mutate({ file: archive }),
              onNothing: () => setArchive(null),
            }
          : report && file
            ? {
                label:
                  report.good === 0
                    ? say('round.noGoodRow')
                    : say('round.takeGoodRows', { good: report.good }),
                disabled: report.good === 0 || reading.isPending,
                onPress: () => ask(file, 'good', choices, report.mapping),
              }
            : null
      }
    >
      {archive ? <WholeArchive bringing={bringing} /> : null}
      {report && taken ? (
        <Notice kind="said" title={say('round.treesWrittenDown', { written: report.written })}>
          {report.refused > 0
            ? say('round.theRefusedRowsAreStillYoursDownload')
            : say('round.everyRowCameIn')}
        </Notice>
      ) : null}
      {report ? (
        <FileReport
          report={report}
          choices={choices}
          onSay={taken ? null : settle}
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
  const say = useSay();
  return (
    <>
      <Body>{say('round.aCsvFileNeedsAHeadingRow')}</Body>
      <Body>{say('round.anArchiveComesInWholeWhereThere')}</Body>
      <Body>{say('round.nothingIsWrittenBeforeYouHaveSeen')}</Body>
    </>
  );
}
