// Trees from a file: which column is what, what is wrong row by row, and then the good rows or nothing.
import { type ImportReport, type importFormats, treeColumns } from '@mortisect/contracts';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { useImportTrees } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Select } from '../../ui/Select';
import { Body, Label, Section, Small } from '../../ui/type';
import { plural } from '../words';

type Format = (typeof importFormats)[number];

export function ImportTrees() {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const reading = useImportTrees();
  const [file, setFile] = useState<File | null>(null);
  const report = reading.data;
  const ask = (chosen: File, take: 'nothing' | 'good', mapping?: ImportReport['mapping']) =>
    reading.mutate({
      file: chosen,
      query: { format: formatOf(chosen.name), take, ...(mapping && { mapping: JSON.stringify(mapping) }) },
    });
  const choose = (chosen: File | undefined) => {
    if (!chosen) return;
    setFile(chosen);
    ask(chosen, 'nothing');
  };
  const taken = report !== undefined && report.written > 0;
  return (
    <Screen
      title="Trees from a file"
      subtitle="CSV, GeoJSON, or the archive of an orchard"
      actions={
        taken ? (
          <Button grow kind="main" onPress={() => router.replace('/round/register' as never)}>
            To the register
          </Button>
        ) : report && file ? (
          <>
            <Button onPress={() => router.back()}>Take nothing</Button>
            <Button
              grow
              kind="main"
              disabled={report.good === 0 || reading.isPending}
              onPress={() => ask(file, 'good', report.mapping)}
            >
              {report.good === 0 ? 'No good row' : `Take ${plural(report.good, 'good row')}`}
            </Button>
          </>
        ) : (
          <>
            <Button onPress={() => router.back()}>Back</Button>
            <Button grow kind="main" onPress={() => input.current?.click()} disabled={reading.isPending}>
              Choose a file
            </Button>
          </>
        )
      }
    >
      <input
        ref={input}
        type="file"
        accept=".csv,.tsv,.txt,.json,.geojson,text/csv,application/json,application/geo+json"
        aria-label="File of trees"
        style={{ display: 'none' }}
        onChange={(event) => {
          choose(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <Failed title="Nothing was read, nothing was changed" error={reading.error} />
      {file ? <Label>{file.name}</Label> : null}
      {reading.isPending ? <Small role="status">Reading the file …</Small> : null}
      {taken ? (
        <Notice kind="said" title={`${plural(report.written, 'tree')} written down`}>
          {report.refused > 0
            ? 'The refused rows are still yours: download them below, mend them and read the file again.'
            : 'Every row came in.'}
        </Notice>
      ) : null}
      {report ? (
        <Report report={report} onMap={taken || !file ? null : (mapping) => ask(file, 'nothing', mapping)} />
      ) : (
        <Help />
      )}
    </Screen>
  );
}

function formatOf(fileName: string): Format {
  if (/\.geojson$/i.test(fileName)) return 'geojson';
  return /\.json$/i.test(fileName) ? 'archive' : 'csv';
}

function Help() {
  return (
    <>
      <Body>
        A CSV file needs a heading row. Must be there: code, plot, row, place, species, form, heightCm,
        spreadCm. Every other field of a tree may be there too; columns are matched by name and can be matched
        by hand.
      </Body>
      <Body>
        From an archive come the trees with their limb maps; its findings, log and photos stay in the file.
      </Body>
      <Body>Nothing is written before you have seen what each row will become.</Body>
    </>
  );
}

const NONE = '';

function Report({
  report,
  onMap,
}: {
  report: ImportReport;
  onMap: ((mapping: ImportReport['mapping']) => void) | null;
}) {
  const [mapped, setMapped] = useState(false);
  const refused = report.rows.filter((row) => row.reasons.length > 0);
  const download = () => {
    const url = URL.createObjectURL(new Blob([report.refusedCsv], { type: 'text/csv' }));
    const link = document.createElement('a');
    link.href = url;
    link.download = 'refused-rows.csv';
    link.click();
    URL.revokeObjectURL(url);
  };
  return (
    <View gap={16}>
      <View flexDirection="row" gap={24}>
        <Label fontSize="$22" lineHeight="$22">{`${report.good} good`}</Label>
        <Label
          fontSize="$22"
          lineHeight="$22"
          color={report.refused > 0 ? '$ochreText' : '$soft'}
        >{`${report.refused} refused`}</Label>
      </View>
      {refused.length > 0 ? (
        <View gap={8}>
          <Section>Refused rows</Section>
          {refused.slice(0, 50).map((row) => (
            <View
              key={row.line}
              gap={2}
              paddingVertical={6}
              borderBottomWidth={1}
              borderStyle="solid"
              borderColor="$rule"
            >
              <Label>{`Row ${row.line}${row.code ? `, ${row.code}` : ''}`}</Label>
              {row.reasons.map(({ field, message }) => (
                <Small key={`${field}${message}`} color="$ink">
                  {field ? `${field}: ${message}` : message}
                </Small>
              ))}
            </View>
          ))}
          <View flexDirection="row">
            <Button onPress={download}>Download the refused rows with reasons</Button>
          </View>
        </View>
      ) : null}
      {onMap ? (
        <View gap={8}>
          <Section>Columns</Section>
          {mapped ? (
            treeColumns.map((field) => (
              <Select
                key={field}
                label={field}
                value={report.mapping[field] ?? NONE}
                options={[
                  { value: NONE, label: 'Not in the file' },
                  ...report.columns.map((column) => ({ value: column, label: column })),
                ]}
                onChange={(column) => {
                  const { [field]: _before, ...rest } = report.mapping;
                  onMap(column === NONE ? rest : { ...rest, [field]: column });
                }}
              />
            ))
          ) : (
            <>
              <Small>
                {Object.entries(report.mapping)
                  .map(([field, column]) => (field === column ? field : `${field} from ${column}`))
                  .join(', ') || 'No column was matched by name.'}
              </Small>
              <View flexDirection="row">
                <Button onPress={() => setMapped(true)}>Match columns by hand</Button>
              </View>
            </>
          )}
        </View>
      ) : null}
      <Sample report={report} />
    </View>
  );
}

function Sample({ report }: { report: ImportReport }) {
  const columns = report.columns.slice(0, 8);
  return (
    <View gap={8}>
      <Section>First rows of the file</Section>
      <View style={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="First rows of the file">
        <table style={{ borderCollapse: 'collapse' }}>
          <thead>
            <tr>
              {columns.map((column) => (
                <th key={column} style={CELL}>
                  <Label>{column}</Label>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {report.sample.map((cells, i) => (
              <tr key={`${i === 0 ? 'first' : i}`}>
                {columns.map((column) => (
                  <td key={column} style={CELL}>
                    <Small color="$ink">{cells[column] ?? ''}</Small>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </View>
    </View>
  );
}

const CELL = { textAlign: 'left', padding: '6px 12px 6px 0', whiteSpace: 'nowrap' } as const;
