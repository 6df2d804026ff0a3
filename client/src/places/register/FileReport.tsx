// What a file of trees holds: its columns in words, what it leaves open, and every row that is refused.

import { type ImportChoices, type ImportReport, type StartingField, treeColumns } from '@mortisect/contracts';
import { type LengthUnit, lengthUnits, upperFirst } from '@mortisect/core/measure';
import { speciesName, speciesTable, treeForms } from '@mortisect/core/register';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { Select } from '../../ui/Select';
import { Body, Label, Section, Small } from '../../ui/type';
import { FIELD_WORDS, fieldWord } from './fieldWords';

interface FileReportProps {
  report: ImportReport;
  choices: ImportChoices;
  /** null once the rows are taken: nothing is asked any more. */
  onSay: ((choices: ImportChoices) => void) | null;
  onMap: ((mapping: ImportReport['mapping']) => void) | null;
}

export function FileReport({ report, choices, onSay, onMap }: FileReportProps) {
  const say = useSay();
  return (
    <View gap={16}>
      <View flexDirection="row" gap={24} role="status">
        <Label fontSize="$22" lineHeight="$22">
          {say('round.good', { good: report.good })}
        </Label>
        <Label fontSize="$22" lineHeight="$22" color={report.refused > 0 ? '$ochreText' : '$soft'}>
          {say('round.refused', { refused: report.refused })}
        </Label>
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
  const say = useSay();
  const [open, setOpen] = useState(false);
  const used = new Set(Object.values(mapping));
  const unused = columns.filter((column) => !used.has(column));
  const named = treeColumns.filter((field) => mapping[field] !== undefined);
  return (
    <View gap={8}>
      <Section>{say('round.whichColumnIsWhat')}</Section>
      {named.length === 0 ? (
        <Body>{say('round.noColumnWasRecognisedByItsHeading')}</Body>
      ) : (
        named.map((field) => (
          <Small key={field} color="$ink">
            {say('round.column', { fieldwords: say(FIELD_WORDS[field]), mapping: mapping[field] ?? '' })}
          </Small>
        ))
      )}
      {unused.length > 0 ? (
        <Small>{say('round.leftOut', { unused: unused.map((column) => `“${column}”`).join(', ') })}</Small>
      ) : null}
      {open ? (
        treeColumns.map((field) => (
          <Select
            key={field}
            label={say(FIELD_WORDS[field])}
            value={mapping[field] ?? NONE}
            options={[
              { value: NONE, label: say('shared.notInTheFile') },
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
          <Button onPress={() => setOpen(true)}>{say('round.matchColumnsByHand')}</Button>
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
  const say = useSay();
  const answered = Object.keys(choices.kinds).filter((word) => !asks.some((ask) => ask.word === word));
  const options = (codes: readonly string[]) => [
    { value: NONE, label: say('round.notSaidItsRowsAreRefused') },
    ...codes.map((code) => ({ value: code, label: told(say, speciesName(code)) })),
  ];
  const settle = (word: string, code: string) => {
    const { [word]: _before, ...rest } = choices.kinds;
    onSay({ ...choices, kinds: code === NONE ? rest : { ...rest, [word]: code } });
  };
  if (asks.length === 0 && answered.length === 0) return null;
  return (
    <View gap={8}>
      <Section>{say('round.whichFruitIsMeant')}</Section>
      {answered.map((word) => (
        <Select
          key={word}
          label={say('round.is', { word: upperFirst(word) })}
          value={choices.kinds[word] ?? NONE}
          options={options(speciesTable.map(({ code }) => code))}
          onChange={(code) => settle(word, code)}
        />
      ))}
      {asks.map(({ word, rows, options: codes }) => (
        <Select
          key={word}
          label={say('round.is', { word: upperFirst(word) })}
          hint={say('round.inRows', { rows })}
          value={NONE}
          options={options(codes)}
          onChange={(code) => settle(word, code)}
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
  const say = useSay();
  if (starts.length === 0) return null;
  const settle = (field: StartingField, value: string) =>
    onSay?.({ ...choices, starts: { ...choices.starts, [field]: value } });
  return (
    <View gap={8}>
      <Section>{say('round.notInTheFileSoWrittenFor')}</Section>
      {starts.map(({ field, value, rows }) => {
        const hint = say('round.forRows', { rows });
        if (!onSay)
          return (
            <Small
              key={field}
              color="$ink"
            >{`${say(FIELD_WORDS[field])}: ${told(say, startWords(field, value))}. ${hint}`}</Small>
          );
        const options = OPTIONS[field];
        return options ? (
          <Select
            key={field}
            label={say(FIELD_WORDS[field])}
            hint={hint}
            value={value}
            options={options}
            onChange={(next) => settle(field, next)}
          />
        ) : (
          <StartField
            key={field}
            field={field}
            value={value}
            hint={hint}
            onSay={(next) => settle(field, next)}
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
  const say = useSay();
  const [typed, setTyped] = useState(value);
  const done = () => typed.trim() !== value && onSay(typed.trim());
  return (
    <Field
      label={say(FIELD_WORDS[field])}
      hint={hint}
      value={typed}
      fault={typed.trim() === '' ? say('round.sayWhatIsWrittenHere') : undefined}
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
  heading: 'round.theHeadingSaysSo',
  size: 'round.byHowLargeTheNumbersArePlease',
  choice: 'round.asYouSaid',
} as const;

function Units({ report: { units }, choices, onSay }: SayProps) {
  const say = useSay();
  if (units.length === 0) return null;
  return (
    <View gap={8}>
      <Section>{say('round.numbersWithoutAUnit')}</Section>
      {units.map(({ field, unit, by, rows }) => (
        <Select
          key={field}
          label={say('round.isIn', { fieldwords: say(FIELD_WORDS[field]) })}
          hint={say('round.inRows2', { rows, toldBy: say(TOLD_BY[by]) })}
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
  const say = useSay();
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
      <Section>{say('round.refusedRows')}</Section>
      <Notice kind="said">{say('round.theOtherRowsDoNotWaitFor')}</Notice>
      <View flexDirection="row">
        <Button onPress={download}>{say('round.downloadTheRefusedRowsWithReasons')}</Button>
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
          <Label>{say('round.row2', { line: row.line, more: row.code ? `, ${row.code}` : '' })}</Label>
          {row.reasons.map(({ field, message }) => (
            <Small key={`${field}${message}`} color="$ink">
              {field ? `${fieldWord(say, field)}: ${message}` : message}
            </Small>
          ))}
        </View>
      ))}
      {refused.length > shown ? (
        <View flexDirection="row">
          <Button onPress={() => setShown(refused.length)}>
            {say('round.showTheOther', { refused: refused.length - shown })}
          </Button>
        </View>
      ) : null}
    </View>
  );
}

function Sample({ report }: { report: ImportReport }) {
  const say = useSay();
  const columns = report.columns.slice(0, 8);
  return (
    <View gap={8}>
      <Section>{say('round.firstRowsOfTheFile')}</Section>
      <View
        style={{ overflowX: 'auto' }}
        tabIndex={0}
        role="region"
        aria-label={say('round.firstRowsOfTheFile')}
      >
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
