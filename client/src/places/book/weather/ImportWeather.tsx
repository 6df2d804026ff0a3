// Weather from a file: which column is what and in which unit, what is wrong with it and what may be mended, and then all of it or nothing.

import { type WeatherImportReport, weatherUnits } from '@mortisect/contracts';
import { upperFirst } from '@mortisect/core/measure';
import { type Column, columns, type Repair, repairs } from '@mortisect/core/weather';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { shortMoment } from '../../../data/moment';
import { useToday } from '../../../data/useToday';
import { useImportWeather } from '../../../data/writes';
import { Button } from '../../../ui/Button';
import { CheckRow } from '../../../ui/CheckRow';
import { Choice } from '../../../ui/Choice';
import { Field } from '../../../ui/Field';
import { Notice } from '../../../ui/Notice';
import { Select } from '../../../ui/Select';
import { Body, Section, Small } from '../../../ui/type';
import { Waiting } from '../../../ui/Waiting';
import { FromFile } from '../../FromFile';
import { plural } from '../../words';

interface Choices {
  kind: 'observed' | 'forecast';
  zone: string;
  repair: Repair[];
  differing: 'keep' | 'replace';
  mapping: Record<string, string> | null;
}

const NAMES: Record<'at' | Column, string> = {
  at: 'Time',
  temperatureC: 'Temperature',
  humidityPct: 'Humidity',
  rainMm: 'Rain',
  windMs: 'Wind',
  wetMinutes: 'Leaf wetness',
};

export function ImportWeather() {
  const today = useToday();
  const reading = useImportWeather();
  const [file, setFile] = useState<File | null>(null);
  const [choices, setChoices] = useState<Choices>({
    kind: 'observed',
    zone: '',
    repair: [],
    differing: 'keep',
    mapping: null,
  });
  if (!today) return <Waiting title="Weather from a file" error={null} onRetry={() => undefined} />;
  const report = reading.data;
  const ask = (chosen: File, take: 'nothing' | 'good', given: Choices) => {
    setChoices(given);
    reading.mutate({
      file: chosen,
      query: {
        format: /\.json$/i.test(chosen.name) ? 'json' : 'csv',
        take,
        kind: given.kind,
        differing: given.differing,
        ...(given.zone.trim() && { zone: given.zone.trim() }),
        ...(given.repair.length > 0 && { repair: given.repair.join(',') }),
        ...(given.mapping && { mapping: JSON.stringify(given.mapping) }),
      },
    });
  };
  const choose = (chosen: File) => {
    setFile(chosen);
    ask(chosen, 'nothing', { ...choices, mapping: null });
  };
  const taken = report !== undefined && report.written > 0;
  const count = report ? report.fresh + (choices.differing === 'replace' ? report.differing : 0) : 0;
  return (
    <FromFile
      title="Weather from a file"
      subtitle="CSV with a heading row, or hourly JSON"
      of="weather"
      accept=".csv,.tsv,.txt,.json,text/csv,application/json"
      fileName={file?.name}
      reading={reading}
      onChoose={choose}
      taken={taken}
      above={{ label: 'To the weather', path: '/book/weather' }}
      take={
        report && file
          ? {
              label: count === 0 ? 'No new hour' : `Take ${plural(count, 'hour')}`,
              disabled: count === 0 || reading.isPending,
              onPress: () => ask(file, 'good', { ...choices, mapping: report.mapping }),
            }
          : null
      }
    >
      {taken ? (
        <Notice kind="said" title={`${plural(report.written, 'hour')} taken`}>
          {today.site.weather.source === 'recorded'
            ? 'The forecast is recalculated.'
            : 'The site does not go by weather on record yet: set it under Book, Settings, Weather.'}
        </Notice>
      ) : null}
      {report && file ? (
        <Report
          report={report}
          choices={choices}
          zone={today.site.timeZone}
          onAsk={taken ? null : (given) => ask(file, 'nothing', given)}
        />
      ) : (
        <Body>
          One row for each reading, hourly or finer. Times may carry their offset; those that carry none are
          taken in the zone you name. What is missing, doubled or impossible is shown before anything is
          written, and mended only by a rule that you choose.
        </Body>
      )}
    </FromFile>
  );
}

interface ReportProps {
  report: WeatherImportReport;
  choices: Choices;
  zone: string;
  onAsk: ((given: Choices) => void) | null;
}

function Report({ report, choices, zone, onAsk }: ReportProps) {
  const given = { ...choices, mapping: report.mapping };
  return (
    <View gap={16}>
      <Body>
        {report.from && report.to
          ? `${plural(report.hours, 'hour')} from ${shortMoment(report.from, zone)} to ${shortMoment(report.to, zone)}: ${report.fresh} new, ${report.same} on record as they are, ${report.differing} on record with other values.`
          : 'No hour could be read.'}
      </Body>
      {onAsk ? (
        <>
          <Choice
            label="What it is"
            options={[
              { value: 'observed', label: 'Measured' },
              { value: 'forecast', label: 'Forecast' },
            ]}
            value={choices.kind}
            onChange={(kind) => onAsk({ ...given, kind })}
          />
          {report.differing > 0 ? (
            <Choice
              label="Hours on record with other values"
              layout="wrap"
              options={[
                { value: 'keep', label: 'Keep what is on record' },
                { value: 'replace', label: 'Replace; the old values are kept' },
              ]}
              value={choices.differing}
              onChange={(differing) => onAsk({ ...given, differing })}
            />
          ) : null}
          <Zone zone={choices.zone} usual={zone} onZone={(next) => onAsk({ ...given, zone: next })} />
        </>
      ) : null}
      <Faults
        report={report}
        choices={choices}
        onRepair={onAsk ? (repair) => onAsk({ ...given, repair }) : null}
      />
      {onAsk ? <Columns report={report} onMap={(mapping) => onAsk({ ...choices, mapping })} /> : null}
      {report.refusedCount > 0 ? (
        <View gap={6}>
          <Section>{`${plural(report.refusedCount, 'value')} not understood`}</Section>
          {report.refused.slice(0, 20).map((row) => (
            <Small key={`${row.line} ${row.message}`} color="$ink">
              {row.line > 0 ? `Line ${row.line}: ${row.message}` : row.message}
            </Small>
          ))}
        </View>
      ) : null}
    </View>
  );
}

function Zone({ zone, usual, onZone }: { zone: string; usual: string; onZone(zone: string): void }) {
  const [typed, setTyped] = useState(zone);
  return (
    <View flexDirection="row" gap={12} alignItems="flex-end">
      <Field
        grow
        label="Time zone of times without an offset"
        value={typed}
        onChangeText={setTyped}
        hint={`${usual} where empty; UTC, or a name like Europe/Lisbon.`}
      />
      <Button disabled={typed.trim() === zone} onPress={() => onZone(typed.trim())}>
        Use this time zone
      </Button>
    </View>
  );
}

const REPAIRS: Record<Repair, string> = {
  'fill short gaps': 'Fill gaps up to 3 h evenly; never rain',
  'drop spikes': 'Drop spikes of temperature',
  'drop impossible values': 'Drop impossible values',
};

function Faults({
  report,
  choices,
  onRepair,
}: {
  report: WeatherImportReport;
  choices: Choices;
  onRepair: ((repair: Repair[]) => void) | null;
}) {
  if (report.faultCount === 0) return <Body>No gap, spike or impossible value was found.</Body>;
  const mended = report.faults.filter((fault) => fault.mended).length;
  return (
    <View gap={8}>
      <Section>{`${plural(report.faultCount, 'fault')} found, ${mended} mended`}</Section>
      {onRepair
        ? repairs.map((repair) => (
            <CheckRow
              key={repair}
              label={REPAIRS[repair]}
              on={choices.repair.includes(repair)}
              onChange={(on) =>
                onRepair(on ? [...choices.repair, repair] : choices.repair.filter((kept) => kept !== repair))
              }
            />
          ))
        : null}
      {report.faults.slice(0, 30).map((fault) => (
        <View key={`${fault.from} ${fault.words}`}>
          <Small color="$ink">{`${fault.from.slice(0, 16).replace('T', ' ')} UTC · ${upperFirst(fault.kind)}${fault.mended ? ', mended' : ''}`}</Small>
          <Small>{fault.words}</Small>
        </View>
      ))}
      {report.faultCount > 30 ? <Small>{`and ${report.faultCount - 30} more`}</Small> : null}
    </View>
  );
}

function Columns({
  report,
  onMap,
}: {
  report: WeatherImportReport;
  onMap(mapping: Record<string, string>): void;
}) {
  const { mapping } = report;
  const set = (key: string, value: string) => {
    const { [key]: _before, ...rest } = mapping;
    onMap(value === '' ? rest : { ...rest, [key]: value });
  };
  return (
    <View gap={10}>
      <Section>Columns</Section>
      {(['at', ...columns] as const).map((name) => (
        <View key={name} flexDirection="row" gap={12}>
          <View flex={1} minWidth={0}>
            <Select
              label={NAMES[name]}
              value={mapping[name] ?? ''}
              options={[
                { value: '', label: 'Not in the file' },
                ...report.columns.map((column) => ({ value: column, label: column })),
              ]}
              onChange={(column) => set(name, column)}
            />
          </View>
          {name === 'at' ? (
            <View flex={1} minWidth={0}>
              <Select
                label="Time of day, if it stands apart"
                value={mapping['at:clock'] ?? ''}
                options={[
                  { value: '', label: 'In the same column' },
                  ...report.columns.map((column) => ({ value: column, label: column })),
                ]}
                onChange={(column) => set('at:clock', column)}
              />
            </View>
          ) : !mapping[name] ? null : (
            <View width={120}>
              <Select
                label="in"
                value={mapping[`${name}:unit`] ?? weatherUnits[name][0]}
                options={weatherUnits[name].map((unit) => ({ value: unit, label: unit }))}
                onChange={(unit) => set(`${name}:unit`, unit)}
              />
            </View>
          )}
        </View>
      ))}
    </View>
  );
}
