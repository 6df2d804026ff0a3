// The arborist’s part of a tree: which limb, how high, how thick, how heavy, and why it is not one’s own.

import { winterOf } from '@mortisect/core/disorders';
import { upperFirst } from '@mortisect/core/measure';
import { arboristPart, type Solved } from '@mortisect/core/plan';
import { bookings, type SiteToday, type TreeView } from '@mortisect/core/present';
import { markOf } from '@mortisect/core/records';
import { arboristWords, cautionWords, goalWords, limbIn } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { Mark } from '../../drawings/marks';
import { Body, Label, Section, Small } from '../../ui/type';
import { findingWords } from '../words';
import { Booking } from './Booking';

interface ArboristPartProps {
  view: TreeView;
  today: SiteToday;
  solved: Solved;
}

export function ArboristPart({ view, today, solved }: ArboristPartProps) {
  const say = useSay();
  const part = arboristPart(solved.prepared, solved.plan);
  const { seasons } = solved.prepared.input;
  const { latitude } = today.site;
  const isPlanned = (day: string) => winterOf(day, latitude) - winterOf(today.day, latitude) < seasons;
  const isBooked = bookings(view.actions, today.day).length > 0;
  if (part.length === 0 && !isBooked) return null;
  return (
    <View gap={8}>
      <Section>{say('plan.forALicensedArborist')}</Section>
      {part.length > 0 ? <Body>{say('plan.arboristPartSays')}</Body> : null}
      {part.map((cut) => {
        const { priced, findingIds, goals, because } = cut;
        const findings = view.findings.filter(({ id }) => findingIds.includes(id));
        const limbId = priced.kerf?.limbId ?? '';
        return (
          <View key={priced.id} flexDirection="row" gap={12} alignItems="flex-start">
            <Mark kind={findings[0] ? markOf(findings[0]) : 'misplaced'} />
            <View flex={1} minWidth={0}>
              <Label>{`${upperFirst(limbIn(say, view.names.get(limbId) ?? limbId))}: ${[findingWords(say, findings), ...goalWords(say, goals)].filter(Boolean).join(' · ')}`}</Label>
              <Small color="$ink">{arboristWords(say, cut, today.units)}</Small>
              <Small>{because.map((each) => cautionWords(say, each)).join(' ')}</Small>
            </View>
          </View>
        );
      })}
      <Booking view={view} today={today} isPlanned={isPlanned} />
    </View>
  );
}
