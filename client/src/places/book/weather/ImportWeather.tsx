// Weather from a file: which column is what and in which unit, what is wrong with it and what may be mended, and then all of it or nothing.

import { type WeatherImportReport, weatherUnits } from '@mortisect/contracts';
import { upperFirst } from '@mortisect/core/measure';
import { type Column, columns, type Repair, repairs } from '@mortisect/core/weather';
import type { PlainKey } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { shortMoment } from '../../../data/moment';
import { useSay } from '../../../data/useSay';
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

interface Choices {
  kind: 'observed' | 'forecast';
  zone: string;
  repair: Repair[];
  differing: 'keep' | 'replace';
  mapping: Record<string, string> | null;
}

const NAMES: Record<'at' | Column, PlainKey> = {
  at: 'book.time',
  temperatureC: 'shared.temperature',
  humidityPct: 'book.humidity',
  rainMm: 'shared.rain3',
  windMs: 'book.wind',
  wetMinutes: 'book.leafWetness',
};

export function ImportWeather() {
  const say = useSay();
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
  if (!today) return <Waiting title={say('book.weatherFromAFile')} error={null} onRetry={() => undefined} />;
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
        ...(given.repair.length > 0 && { repair: given.repair.map((each) => told(say, each)).join(',') }),
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
      title={say('book.weatherFromAFile')}
      subtitle={say('book.csvWithAHeadingRowOrHourly')}
      of="weather"
      accept=".csv,.tsv,.txt,.json,text/csv,application/json"
      fileName={file?.name}
      reading={reading}
      onChoose={choose}
      taken={taken}
      above={{ label: say('book.toTheWeather'), path: '/book/weather' }}
      take={
        report && file
          ? {
              label: count === 0 ? say('book.noNewHour') : say('book.takeHours', { count }),
              disabled: count === 0 || reading.isPending,
              onPress: () => ask(file, 'good', { ...choices, mapping: report.mapping }),
            }
          : null
      }
    >
      {taken ? (
        <Notice kind="said" title={say('book.hoursTaken', { written: report.written })}>
          {today.site.weather.source === 'recorded'
            ? say('book.theForecastIsRecalculated')
            : say('book.theSiteDoesNotGoByWeather')}
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
        <Body>{say('book.oneRowForEachReadingHourlyOr')}</Body>
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
  const say = useSay();
  const given = { ...choices, mapping: report.mapping };
  return (
    <View gap={16}>
      <Body>
        {report.from && report.to
          ? say('book.hoursFromToNewOnRecordAs', {
              hours: report.hours,
              shortMoment: shortMoment(report.from, zone),
              shortMoment2: shortMoment(report.to, zone),
              fresh: report.fresh,
              same: report.same,
              differing: report.differing,
            })
          : say('book.noHourCouldBeRead')}
      </Body>
      {onAsk ? (
        <>
          <Choice
            label={say('shared.whatItIs')}
            options={[
              { value: 'observed', label: say('book.measured') },
              { value: 'forecast', label: say('book.forecast') },
            ]}
            value={choices.kind}
            onChange={(kind) => onAsk({ ...given, kind })}
          />
          {report.differing > 0 ? (
            <Choice
              label={say('book.hoursOnRecordWithOtherValues')}
              layout="wrap"
              options={[
                { value: 'keep', label: say('book.keepWhatIsOnRecord') },
                { value: 'replace', label: say('book.replaceTheOldValuesAreKept') },
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
          <Section>{say('book.valuesNotUnderstood', { refusedCount: report.refusedCount })}</Section>
          {report.refused.slice(0, 20).map((row) => (
            <Small key={`${row.line} ${row.message}`} color="$ink">
              {row.line > 0 ? say('book.line', { line: row.line, message: row.message }) : row.message}
            </Small>
          ))}
        </View>
      ) : null}
    </View>
  );
}

function Zone({ zone, usual, onZone }: { zone: string; usual: string; onZone(zone: string): void }) {
  const say = useSay();
  const [typed, setTyped] = useState(zone);
  return (
    <View flexDirection="row" gap={12} alignItems="flex-end">
      <Field
        grow
        label={say('book.timeZoneOfTimesWithoutAnOffset')}
        value={typed}
        onChangeText={setTyped}
        hint={say('book.whereEmptyUtcOrANameLike', { usual })}
      />
      <Button disabled={typed.trim() === zone} onPress={() => onZone(typed.trim())}>
        {say('book.useThisTimeZone')}
      </Button>
    </View>
  );
}

const REPAIRS: Record<Repair, PlainKey> = {
  'fill short gaps': 'book.fillGapsUpTo3HEvenly',
  'drop spikes': 'book.dropSpikesOfTemperature',
  'drop impossible values': 'book.dropImpossibleValues',
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
  const say = useSay();
  if (report.faultCount === 0) return <Body>{say('book.noGapSpikeOrImpossibleValueWas')}</Body>;
  const mended = report.faults.filter((fault) => fault.mended).length;
  return (
    <View gap={8}>
      <Section>{say('book.faultsFoundMended', { faultCount: report.faultCount, mended })}</Section>
      {onRepair
        ? repairs.map((repair) => (
            <CheckRow
              key={repair}
              label={say(REPAIRS[repair])}
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
      {report.faultCount > 30 ? (
        <Small>{say('book.andMore2', { faultCount: report.faultCount - 30 })}</Small>
      ) : null}
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
  const say = useSay();
  const { mapping } = report;
  const set = (key: string, value: string) => {
    const { [key]: _before, ...rest } = mapping;
    onMap(value === '' ? rest : { ...rest, [key]: value });
  };
  return (
    <View gap={10}>
      <Section>{say('shared.columns')}</Section>
      {(['at', ...columns] as const).map((name) => (
        <View key={name} flexDirection="row" gap={12}>
          <View flex={1} minWidth={0}>
            <Select
              label={say(NAMES[name])}
              value={mapping[name] ?? ''}
              options={[
                { value: '', label: say('shared.notInTheFile') },
                ...report.columns.map((column) => ({ value: column, label: column })),
              ]}
              onChange={(column) => set(name, column)}
            />
          </View>
          {name === 'at' ? (
            <View flex={1} minWidth={0}>
              <Select
                label={say('book.timeOfDayIfItStandsApart')}
                value={mapping['at:clock'] ?? ''}
                options={[
                  { value: '', label: say('book.inTheSameColumn') },
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
