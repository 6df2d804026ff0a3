// Half-days and weeks of each crew with their trees; the next ones stand open. Trees and plots are dragged from one to another.
import type { SeasonPlan } from '@mortisect/contracts';
import type { Say } from '@mortisect/words';
import { visitWords as visitName } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useTrees } from '../../../data/queries';
import { useSay } from '../../../data/useSay';
import { useInParts } from '../../../ui/inParts';
import { PressRow } from '../../../ui/PressRow';
import { Rows } from '../../../ui/Row';
import { Label, Section, Small } from '../../../ui/type';
import { Dragged, DropPlace } from './drag';
import { type PlaceOfPlan, placesOf, type Shared, slotWords, type Visit, wishWords } from './season';
import type { Opened } from './VisitSheet';

/** So many stand open at first. */
const OPEN = 3;

interface PlacesProps {
  shared: Shared;
  crews: SeasonPlan['crews'];
  onOpen(opened: Opened): void;
}

export function Places({ shared, crews, onOpen }: PlacesProps) {
  const places = placesOf(shared, crews);
  return (
    <View gap={16}>
      {places.map((place, i) => (
        <OfPlace key={place.key} place={place} crews={crews} isFirst={i < OPEN} onOpen={onOpen} />
      ))}
    </View>
  );
}

interface OfPlaceProps extends Pick<PlacesProps, 'crews' | 'onOpen'> {
  place: PlaceOfPlan;
  isFirst: boolean;
}

function OfPlace({ place: { key, slot, crew, of, visits }, crews, isFirst, onOpen }: OfPlaceProps) {
  const say = useSay();
  const [isOpen, setOpen] = useState(isFirst);
  const plots = useTrees().data?.plots ?? [];
  const where = `${slotWords(say, slot)} · ${crew.name}`;
  const { from, to, half } = slot;
  const byPlot = plots
    .map((plot) => ({ plot, own: visits.filter(({ plotId }) => plotId === plot.id) }))
    .filter(({ own }) => own.length > 0);
  return (
    <DropPlace id={key} days={{ from, to, half, crewId: crew.id }}>
      <View gap={6}>
        <PressRow
          onPress={() => setOpen(!isOpen)}
          aria-expanded={isOpen}
          borderBottomWidth={0}
          borderLeftWidth={0}
        >
          <View flex={1} minWidth={0}>
            <Section>{where}</Section>
            <Small>
              {say('plan.visitsAndMinutesOfWorkable', {
                visits: visits.length,
                needed: Math.round(of.needed),
                workable: Math.round(of.workable),
                plots: of.plots,
              })}
            </Small>
          </View>
          <Label color="$chalk">{say(isOpen ? 'plan.fold' : 'plan.unfold')}</Label>
        </PressRow>
        {isOpen
          ? byPlot.map(({ plot, own }) => (
              <View key={plot.id} gap={4}>
                <Dragged
                  id={`${key} ${plot.id}`}
                  visits={own.map(({ id, treeId }) => ({ visitId: id, treeId }))}
                  name={plot.name}
                >
                  <Label>{plot.name}</Label>
                </Dragged>
                <VisitRows visits={own} crews={crews} where={where} onOpen={onOpen} />
              </View>
            ))
          : null}
      </View>
    </DropPlace>
  );
}

interface VisitRowsProps extends Pick<PlacesProps, 'crews' | 'onOpen'> {
  visits: readonly Visit[];
  where: string;
}

function VisitRows({ visits, crews, where, onOpen }: VisitRowsProps) {
  const say = useSay();
  const { shown, more } = useInParts(visits);
  return (
    <View>
      <Rows>
        {shown.map((visit) => {
          const { id, treeId, minutes, must, wish } = visit;
          const title = visitName(say, visit);
          return (
            <Dragged key={id} id={id} visits={[{ visitId: id, treeId }]} name={title}>
              <VisitRow
                title={title}
                detail={visitWords(say, visit, crews)}
                aside={say('shared.min', { minutes: Math.round(minutes) })}
                must={must}
                onPress={() => onOpen({ visitId: id, treeId, title, stands: where, must, wish })}
              />
            </Dragged>
          );
        })}
      </Rows>
      {more}
    </View>
  );
}

interface VisitRowProps {
  /** Its tree, and what is done at it. */
  title: string;
  detail: string;
  aside: string;
  must: boolean;
  onPress(): void;
}

export function VisitRow({ title, detail, aside, must, onPress }: VisitRowProps) {
  return (
    <PressRow
      width="100%"
      minHeight={60}
      paddingVertical={8}
      paddingLeft={11}
      paddingRight={16}
      borderLeftColor={must ? '$kerf' : 'transparent'}
      onPress={onPress}
    >
      <View flex={1} minWidth={0}>
        <Label fontSize="$19" lineHeight="$19" color={must ? '$kerfText' : '$ink'}>
          {title}
        </Label>
        <Small>{detail}</Small>
      </View>
      <Label textAlign="right" maxWidth={150}>
        {aside}
      </Label>
    </PressRow>
  );
}

const LEAST_TOLD = 0.05;

function visitWords(
  say: Say,
  { must, ladder, late, below, wish }: Visit,
  crews: SeasonPlan['crews'],
): string {
  const points = Math.round(below * 10) / 10;
  return [
    must ? say('plan.cannotWait') : '',
    ladder ? say('plan.onALadder') : say('plan.fromTheGround'),
    wishWords(say, wish, crews),
    late ? say('plan.lateCosts', { points }) : '',
    !late && below > LEAST_TOLD ? say('plan.belowItsBestDay', { points }) : '',
  ]
    .filter(Boolean)
    .join(' · ');
}
