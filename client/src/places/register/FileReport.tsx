// What a file of trees holds: its columns in words, what it leaves open, and every row that is refused.
import { type ImportChoices, type ImportReport, type StartingField, treeColumns } from '@mortisect/contracts';
import { type LengthUnit, lengthUnits, upperFirst } from '@mortisect/core/measure';
import { speciesName, speciesTable, treeForms } from '@mortisect/core/register';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { Select } from '../../ui/Select';
import { Body, Label, Section, Small } from '../../ui/type';
import { plural } from '../words';
import { fieldWord, fieldWords } from './fieldWords';

interface FileReportProps {
  report: ImportReport;
  choices: ImportChoices;
  /** null once the rows are taken: nothing is asked any more. */
  onSay: ((choices: ImportChoices) => void) | null;
  onMap: ((mapping: ImportReport['mapping']) => void) | null;
}

export function FileReport({ report, choices, onSay, onMap }: FileReportProps) {
  return (
    <View gap={16}>
      <View flexDirection="row" gap={24} role="status">
        <Label fontSize="$22" lineHeight="$22">{`${report.good} good`}</Label>
        <Label
          fontSize="$22"
          lineHeight="$22"
          color={report.refused > 0 ? '$ochreText' : '$soft'}
        >{`${report.refused} refused`}</Label>
      </View>
      {onMap ? <Columns report={report} onMap={onMap} /> : null}
      {onSay ? <Kinds report={report} choices={choices} onSay={onSay} /> : null}
      <Starts report={report} choices={choices} onSay={onSay} />
      {onSay ? <Units report={report} choices={choices} onSay={onSay} /> : null}
      <Refused report={report} />
      <Sample report={report} />
    </View>
  );
}

const NONE = '';

function Columns({
  report: { mapping, columns },
  onMap,
}: {
  report: ImportReport;
  onMap(mapping: ImportReport['mapping']): void;
}) {
  const [open, setOpen] = useState(false);
  const used = new Set(Object.values(mapping));
  const unused = columns.filter((column) => !used.has(column));
  const named = treeColumns.filter((field) => mapping[field] !== undefined);
  return (
    <View gap={8}>
      <Section>Which column is what</Section>
      {named.length === 0 ? (
        <Body>No column was recognised by its heading. Say which is what.</Body>
      ) : (
        named.map((field) => (
          <Small key={field} color="$ink">{`${fieldWords[field]}: column “${mapping[field]}”`}</Small>
        ))
      )}
      {unused.length > 0 ? (
        <Small>{`Left out: ${unused.map((column) => `“${column}”`).join(', ')}.`}</Small>
      ) : null}
      {open ? (
        treeColumns.map((field) => (
          <Select
            key={field}
            label={fieldWords[field]}
            value={mapping[field] ?? NONE}
            options={[
              { value: NONE, label: 'Not in the file' },
              ...columns.map((column) => ({ value: column, label: column })),
            ]}
            onChange={(column) => {
              const { [field]: _before, ...rest } = mapping;
              onMap(column === NONE ? rest : { ...rest, [field]: column });
            }}
          />
        ))
      ) : (
        <View flexDirection="row">
          <Button onPress={() => setOpen(true)}>Match columns by hand</Button>
        </View>
      )}
    </View>
  );
}

interface SayProps {
  report: ImportReport;
  choices: ImportChoices;
  onSay(choices: ImportChoices): void;
}

/** A word for a fruit that can mean several is asked about once, for all of its rows. */
function Kinds({ report: { asks }, choices, onSay }: SayProps) {
  const answered = Object.keys(choices.kinds).filter((word) => !asks.some((ask) => ask.word === word));
  const options = (codes: readonly string[]) => [
    { value: NONE, label: 'Not said: its rows are refused' },
    ...codes.map((code) => ({ value: code, label: speciesName(code) })),
  ];
  const say = (word: string, code: string) => {
    const { [word]: _before, ...rest } = choices.kinds;
    onSay({ ...choices, kinds: code === NONE ? rest : { ...rest, [word]: code } });
  };
  if (asks.length === 0 && answered.length === 0) return null;
  return (
    <View gap={8}>
      <Section>Which fruit is meant</Section>
      {answered.map((word) => (
        <Select
          key={word}
          label={`“${upperFirst(word)}” is`}
          value={choices.kinds[word] ?? NONE}
          options={options(speciesTable.map(({ code }) => code))}
          onChange={(code) => say(word, code)}
        />
      ))}
      {asks.map(({ word, rows, options: codes }) => (
        <Select
          key={word}
          label={`“${upperFirst(word)}” is`}
          hint={`In ${plural(rows, 'row')}.`}
          value={NONE}
          options={options(codes)}
          onChange={(code) => say(word, code)}
        />
      ))}
    </View>
  );
}

/** What the file leaves out is shown with what is written for it, and can be changed. */
function Starts({
  report: { starts },
  choices,
  onSay,
}: Omit<SayProps, 'onSay'> & { onSay: SayProps['onSay'] | null }) {
  if (starts.length === 0) return null;
  const say = (field: StartingField, value: string) =>
    onSay?.({ ...choices, starts: { ...choices.starts, [field]: value } });
  return (
    <View gap={8}>
      <Section>Not in the file, so written for every such row</Section>
      {starts.map(({ field, value, rows }) => {
        const hint = `For ${plural(rows, 'row')}.`;
        if (!onSay)
          return (
            <Small
              key={field}
              color="$ink"
            >{`${fieldWords[field]}: ${startWords(field, value)}. ${hint}`}</Small>
          );
        const options = OPTIONS[field];
        return options ? (
          <Select
            key={field}
            label={fieldWords[field]}
            hint={hint}
            value={value}
            options={options}
            onChange={(next) => say(field, next)}
          />
        ) : (
          <StartField
            key={field}
            field={field}
            value={value}
            hint={hint}
            onSay={(next) => say(field, next)}
          />
        );
      })}
    </View>
  );
}

const OPTIONS: Partial<Record<StartingField, { value: string; label: string }[]>> = {
  species: speciesTable.map(({ code, name }) => ({ value: code, label: name })),
  form: [
    { value: '', label: 'As usual for its species' },
    ...treeForms.map((form) => ({ value: form, label: upperFirst(form) })),
  ],
};

const startWords = (field: StartingField, value: string) =>
  OPTIONS[field]?.find((option) => option.value === value)?.label ?? value;

/** The file is read anew when the field is left, not at every letter. */
function StartField({
  field,
  value,
  hint,
  onSay,
}: {
  field: StartingField;
  value: string;
  hint: string;
  onSay(value: string): void;
}) {
  const [typed, setTyped] = useState(value);
  const done = () => typed.trim() !== value && onSay(typed.trim());
  return (
    <Field
      label={fieldWords[field]}
      hint={hint}
      value={typed}
      fault={typed.trim() === '' ? 'Say what is written here.' : undefined}
      onChangeText={setTyped}
      onSubmit={done}
      onBlur={done}
    />
  );
}

const UNIT_WORDS: Record<LengthUnit, string> = {
  mm: 'millimetres',
  cm: 'centimetres',
  m: 'metres',
  in: 'inches',
  ft: 'feet',
};
const TOLD_BY = {
  heading: 'The heading says so.',
  size: 'By how large the numbers are: please check.',
  choice: 'As you said.',
} as const;

function Units({ report: { units }, choices, onSay }: SayProps) {
  if (units.length === 0) return null;
  return (
    <View gap={8}>
      <Section>Numbers without a unit</Section>
      {units.map(({ field, unit, by, rows }) => (
        <Select
          key={field}
          label={`${fieldWords[field]} is in`}
          hint={`In ${plural(rows, 'row')}. ${TOLD_BY[by]}`}
          value={unit}
          options={lengthUnits.map((lengthUnit) => ({ value: lengthUnit, label: UNIT_WORDS[lengthUnit] }))}
          onChange={(next) => onSay({ ...choices, units: { ...choices.units, [field]: next as LengthUnit } })}
        />
      ))}
    </View>
  );
}

const SHOWN_AT_ONCE = 50;

function Refused({ report: { rows, refusedCsv } }: { report: ImportReport }) {
  const [shown, setShown] = useState(SHOWN_AT_ONCE);
  const refused = rows.filter((row) => row.reasons.length > 0);
  if (refused.length === 0) return null;
  const download = () => {
    const url = URL.createObjectURL(new Blob([refusedCsv], { type: 'text/csv' }));
    const link = document.createElement('a');
    link.href = url;
    link.download = 'refused-rows.csv';
    link.click();
    URL.revokeObjectURL(url);
  };
  return (
    <View gap={8}>
      <Section>Refused rows</Section>
      <Notice kind="said">
        The other rows do not wait for these. Download them, mend them and read that file again.
      </Notice>
      <View flexDirection="row">
        <Button onPress={download}>Download the refused rows with reasons</Button>
      </View>
      {refused.slice(0, shown).map((row) => (
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
              {field ? `${fieldWord(field)}: ${message}` : message}
            </Small>
          ))}
        </View>
      ))}
      {refused.length > shown ? (
        <View flexDirection="row">
          <Button
            onPress={() => setShown(refused.length)}
          >{`Show the other ${refused.length - shown}`}</Button>
        </View>
      ) : null}
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
