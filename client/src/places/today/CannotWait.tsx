// What does not wait for a good day: hanging and split limbs, strikes that move; wood to be looked at after a frost; protectants washed off; blight in bloom.

import type { TimingNow } from '@mortisect/contracts';
import { dangersOf } from '@mortisect/core/handling';
import { upperFirst } from '@mortisect/core/measure';
import { isUrgent, type SiteToday, type TreeView } from '@mortisect/core/present';
import { speciesName } from '@mortisect/core/register';
import { isToBeJudged } from '@mortisect/core/stage';
import { SYMPTOM_DD, strikeOn } from '@mortisect/core/timing';
import { dayHour, dayWords } from '../../data/moment';
import { useTrees } from '../../data/queries';
import { Row } from '../../ui/Row';
import { speciesList } from '../when/daysView';
import { disorderWords, plural } from '../words';
import { dryHours, isDangerous, isDryNow, urgentTrees } from './urgent';

interface CannotWaitProps {
  timingNow: TimingNow | undefined;
  views: TreeView[];
  today: SiteToday;
}

/** Danger to people first, then wood that spreads disease or tears on. */
export function EmergencyRows({ timingNow, views, today }: CannotWaitProps) {
  const next = nextDryWords(timingNow, today);
  return (
    <>
      {views.filter(isDangerous).map((view) => (
        <Row
          key={view.tree.id}
          bar="danger"
          href={`/plan/${view.tree.id}`}
          title={upperFirst(dangersOf(view.tree.hazards).join(', '))}
          detail={`${view.tree.code} · ${disorderWords(view.findings)} · keep people away; call a licensed arborist`}
        />
      ))}
      {urgentTrees(views).map((view) => (
        <Row
          key={view.tree.id}
          href={`/plan/${view.tree.id}`}
          title="Cannot wait for a good day"
          detail={`${view.tree.code} · ${disorderWords(view.findings.filter(isUrgent))}${next}${restricted(view, today)}`}
        />
      ))}
    </>
  );
}

function nextDryWords(timingNow: TimingNow | undefined, today: SiteToday): string {
  const window = dryHours(timingNow);
  if (!window) return ' · on the next dry hours';
  const { timeZone } = today.site;
  return isDryNow(timingNow)
    ? ` · dry hours: now until ${dayHour(window.toHour, timeZone)}`
    : ` · next dry hours: ${dayHour(window.fromHour, timeZone)} to ${dayHour(window.toHour, timeZone)}`;
}

function restricted(view: TreeView, { site }: SiteToday): string {
  const rule = site.notifiable.find((rule) =>
    view.findings.some((finding) => rule.codes.includes(finding.disorder)),
  );
  return rule ? ` · may be notifiable: ask ${rule.authority} first` : '';
}

/** Wood to be judged now after a frost; one row for each frost and kind of injury. */
export function FrostRows({ timingNow, today }: Pick<CannotWaitProps, 'timingNow' | 'today'>) {
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
    const treesOfRow = trees.filter((tree) => row.keys.has(timingNow.groupOf[tree.id] ?? ''));
    return (
      <Row
        key={key}
        href="/book/weather"
        title={`Look at ${plural(treesOfRow.length, 'tree')} after the frost of ${dayWords(row.day)}`}
        detail={`${speciesList([...row.species])} · ${row.kind === 'buds' ? 'cut buds across' : 'scratch the wood'} from ${dayWords(row.lookFrom)}`}
      />
    );
  });
}

/** Blight: infection in bloom lately, and strikes that may show. */
export function BlightRows({ timingNow, today }: Pick<CannotWaitProps, 'timingNow' | 'today'>) {
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
          title={`Fire blight in bloom: ${worst?.risk === 'infection' ? 'all four conditions are met' : `risk ${worst?.risk ?? 'low'}`}`}
          detail={`${speciesName(species)} · ${worst ? dayWords(worst.day) : ''} · no cuts while it blooms`}
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
          title={`Strikes may show on ${speciesName(species).toLowerCase()}`}
          detail={`From ${dayWords(first.showFrom)}, of infection on ${dayWords(first.day)} · look every week, cut early on a dry day`}
        />,
      );
    } else if (ripening) {
      rows.push(
        <Row
          key={`${key} ripening`}
          href="/round"
          title={`Strikes are ripening on ${speciesName(species).toLowerCase()}`}
          detail={`Infection on ${dayWords(ripening.day)} · ${Math.round((ripening.degreeDays / SYMPTOM_DD) * 100)} % of the warmth until they show`}
        />,
      );
    }
    return rows;
  });
}

export function ProtectantRows({ timingNow }: Pick<CannotWaitProps, 'timingNow'>) {
  return (timingNow?.protectants ?? [])
    .filter((protectant) => protectant.state === 'washed off')
    .map((protectant) => (
      <Row
        key={protectant.actionId}
        href="/book/weather"
        title={`${protectant.product}: rain has washed it off`}
        detail={`${Math.round(protectant.rainMm)} mm since ${dayWords(protectant.at.slice(0, 10))} · whether it may go on again says its label (${protectant.label})`}
      />
    ));
}
