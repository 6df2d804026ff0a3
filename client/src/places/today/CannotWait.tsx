// What does not wait for a good day: hanging and split limbs, strikes that move; wood to be looked at after a frost; protectants washed off; blight in bloom.

import { groupOf, type TimingNow } from '@mortisect/contracts';
import { dangersOf } from '@mortisect/core/handling';
import { upperFirst } from '@mortisect/core/measure';
import { isUrgent, type SiteToday } from '@mortisect/core/present';
import { speciesName } from '@mortisect/core/register';
import type { ListedTree } from '@mortisect/core/run';
import { isToBeJudged } from '@mortisect/core/stage';
import { SYMPTOM_DD, strikeOn } from '@mortisect/core/timing';
import type { Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';
import { memo } from 'react';
import { dayHour, dayWords } from '../../data/moment';
import { useTrees } from '../../data/queries';
import { useSay } from '../../data/useSay';
import { useFewRows } from '../../ui/inParts';
import { Row } from '../../ui/Row';
import { speciesList } from '../when/daysView';
import { disorderWords } from '../words';
import { dryHours, isDangerous, isDryNow, urgentTrees } from './urgent';

interface CannotWaitProps {
  timingNow: TimingNow | undefined;
  trees: readonly ListedTree[];
  today: SiteToday;
}

/** Danger to people first, then wood that spreads disease or tears on. */
export const EmergencyRows = memo(function EmergencyRows({ timingNow, trees, today }: CannotWaitProps) {
  const say = useSay();
  const next = nextDryWords(say, timingNow, today);
  const { shown: dangerous, more: moreDangerous } = useFewRows(trees.filter(isDangerous));
  const { shown: urgent, more: moreUrgent } = useFewRows(urgentTrees(trees));
  return (
    <>
      {dangerous.map(({ tree, findings }) => (
        <Row
          key={tree.id}
          bar="danger"
          href={`/plan/${tree.id}`}
          title={upperFirst(
            dangersOf(tree.hazards)
              .map((each) => told(say, each))
              .join(', '),
          )}
          detail={[tree.code, disorderWords(say, findings), say('today.keepPeopleAwayCallALicensedArborist')]
            .filter(Boolean)
            .join(' · ')}
        />
      ))}
      {moreDangerous}
      {urgent.map(({ tree, findings }) => (
        <Row
          key={tree.id}
          href={`/plan/${tree.id}`}
          title={say('today.cannotWaitForAGoodDay')}
          detail={`${tree.code} · ${disorderWords(say, findings.filter(isUrgent))}${next}${restricted(say, findings, today)}`}
        />
      ))}
      {moreUrgent}
    </>
  );
});

function nextDryWords(say: Say, timingNow: TimingNow | undefined, today: SiteToday): string {
  const window = dryHours(timingNow);
  if (!window) return say('today.onTheNextDryHours');
  const { timeZone } = today.site;
  return isDryNow(timingNow)
    ? say('today.dryHoursNowUntil', { dayHour: dayHour(window.toHour, timeZone) })
    : say('today.nextDryHoursTo', {
        dayHour: dayHour(window.fromHour, timeZone),
        dayHour2: dayHour(window.toHour, timeZone),
      });
}

function restricted(say: Say, findings: ListedTree['findings'], { site }: SiteToday): string {
  const rule = site.notifiable.find((rule) =>
    findings.some((finding) => rule.codes.includes(finding.disorder)),
  );
  return rule ? say('today.mayBeNotifiableAskFirst', { authority: rule.authority }) : '';
}

/** Wood to be judged now after a frost; one row for each frost and kind of injury. */
export const FrostRows = memo(function FrostRows({
  timingNow,
  today,
}: Pick<CannotWaitProps, 'timingNow' | 'today'>) {
  const say = useSay();
  const trees = useTrees().data?.trees ?? [];
  if (!timingNow?.timing) return null;
  const byFrost = new Map<
    string,
    { kind: 'buds' | 'wood'; day: string; lookFrom: string; species: Set<string>; keys: Set<string> }
  >();
  for (const group of timingNow.timing.groups) {
    for (const freeze of group.freezes) {
      if (!isToBeJudged(freeze, today.day)) continue;
      const key = `${freeze.day} ${freeze.kind} ${freeze.lookFrom}`;
      const row = byFrost.get(key) ?? {
        kind: freeze.kind,
        day: freeze.day,
        lookFrom: freeze.lookFrom,
        species: new Set<string>(),
        keys: new Set<string>(),
      };
      row.species.add(group.species);
      row.keys.add(group.key);
      byFrost.set(key, row);
    }
  }
  return [...byFrost.entries()].map(([key, row]) => {
    const treesOfRow = trees.filter((tree) => row.keys.has(groupOf(timingNow).get(tree.id) ?? ''));
    return (
      <Row
        key={key}
        href="/book/weather"
        title={say('today.lookAtTreesAfterTheFrostOf', {
          treesOfRow: treesOfRow.length,
          day: dayWords(row.day),
        })}
        detail={say('today.from', {
          speciesList: speciesList(say, [...row.species]),
          more: row.kind === 'buds' ? say('today.cutBudsAcross') : say('today.scratchTheWood'),
          day: dayWords(row.lookFrom),
        })}
      />
    );
  });
});

/** Blight: infection in bloom lately, and strikes that may show. */
export const BlightRows = memo(function BlightRows({
  timingNow,
  today,
}: Pick<CannotWaitProps, 'timingNow' | 'today'>) {
  const say = useSay();
  if (!timingNow?.timing) return null;
  return timingNow.timing.blight.flatMap(({ key, species, days, strikes }) => {
    const here = days.find((day) => day.day === today.day);
    const ahead = days.find(
      (day) => day.day > today.day && (day.risk === 'high' || day.risk === 'infection'),
    );
    const rows = [];
    if (here || ahead) {
      const worst = here && here.risk !== 'low' ? here : (ahead ?? here);
      rows.push(
        <Row
          key={`${key} bloom`}
          href="/book/weather"
          title={say('today.fireBlightInBloom', {
            more:
              worst?.risk === 'infection'
                ? say('today.allFourConditionsAreMet')
                : say('today.risk', { risk: told(say, worst?.risk) ?? 'low' }),
          })}
          detail={say('today.noCutsWhileItBlooms', {
            species: told(say, speciesName(species)),
            more: worst ? dayWords(worst.day) : '',
          })}
        />,
      );
    }
    const first = strikes.find((strike) => strikeOn(strike, today.day) === 'shows');
    const ripening = strikes.find((strike) => strikeOn(strike, today.day) === 'ripens');
    if (first?.showFrom) {
      rows.push(
        <Row
          key={`${key} strikes`}
          href="/round"
          title={say('today.strikesMayShowOn', { species: told(say, speciesName(species)).toLowerCase() })}
          detail={say('today.fromOfInfectionOnLookEveryWeek', {
            day: dayWords(first.showFrom),
            day2: dayWords(first.day),
          })}
        />,
      );
    } else if (ripening) {
      rows.push(
        <Row
          key={`${key} ripening`}
          href="/round"
          title={say('today.strikesAreRipeningOn', {
            species: told(say, speciesName(species)).toLowerCase(),
          })}
          detail={say('today.infectionOnOfTheWarmthUntilThey', {
            day: dayWords(ripening.day),
            degreeDays: Math.round((ripening.degreeDays / SYMPTOM_DD) * 100),
          })}
        />,
      );
    }
    return rows;
  });
});

export const ProtectantRows = memo(function ProtectantRows({
  timingNow,
}: Pick<CannotWaitProps, 'timingNow'>) {
  const say = useSay();
  return (timingNow?.protectants ?? [])
    .filter((protectant) => protectant.state === 'washed off')
    .map((protectant) => (
      <Row
        key={protectant.actionId}
        href="/book/weather"
        title={say('today.rainHasWashedItOff', { product: protectant.product })}
        detail={say('today.mmSinceWhetherItMayGoOn', {
          rainMm: Math.round(protectant.rainMm),
          day: dayWords(protectant.at.slice(0, 10)),
          label: protectant.label,
        })}
      />
    ));
});
