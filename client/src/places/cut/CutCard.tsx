// The cut itself: the figure that is read at arm's length, the tape that shows it, and the buttons that record it.

import type { Cut } from '@mortisect/core/cuts';
import { tapeReading, typedLengthCm, type Units } from '@mortisect/core/measure';
import { judgedAt, type SiteToday, telling } from '@mortisect/core/present';
import { cutAtHand, cutMade, type Placed, placedAt } from '@mortisect/core/run';
import { asText, cutSentence, decimalMark, limbIn, readingIn, tapeText } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Body, Figure, Section } from '../../ui/type';
import { Cautions } from '../Cautions';
import { HandlingLines } from '../HandlingLines';
import { Sentence } from '../Sentence';
import { useKeys } from '../shell/Keys';
import { TreeTape } from '../TreeTape';
import { switchUnits } from '../units';
import { WhySheet } from '../WhySheet';
import { kindWords } from '../words';
import { CardFrame, type FrameGiven } from './CardFrame';
import { CouldNot } from './CouldNot';
import { Elsewhere } from './Elsewhere';

export function CutCard(frame: FrameGiven) {
  const say = useSay();
  const { item, view, today, blade } = frame;
  const cut = useMemo(() => cutAtHand(item), [item]);
  const clock = useClock();
  const recording = useRecordAction();
  const router = useRouter();
  const [why, setWhy] = useState(false);
  const [sheet, setSheet] = useState<'could not' | 'elsewhere' | null>(null);
  const [found, setFound] = useState('');
  const placed = placedCut(cut, found, today.units);
  const { handling, infected } = judgedAt(view, placed ?? cut, today);
  const phrases = cutSentence(say, cut, telling(view, today));
  useKeys({ w: () => setWhy(true), u: () => switchUnits(today) });

  const recordCut = () => {
    if (!placed || !blade) return;
    const record = cutMade(view, item, placed, blade, clock(), today);
    recording.record({ ...record, cut: { ...record.cut, sentence: asText(phrases) } });
  };
  const foundMore = () =>
    router.navigate({
      pathname: '/round/[treeId]',
      params: { treeId: view.tree.id, limb: cut.limbId, from: 'run' },
    });
  return (
    <CardFrame
      {...frame}
      actions={
        <>
          <Button minHeight={68} onPress={() => setSheet('could not')}>
            {say('cut.skipThisCut')}
          </Button>
          <Button grow kind="cut" onPress={recordCut} disabled={!placed || !blade || recording.isPending}>
            {say('cut.madeTheCut')}
          </Button>
        </>
      }
    >
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
      <BigFigure cut={cut} today={today} />
      <TreeTape
        view={view}
        today={today}
        limbId={cut.limbId}
        cut={cut}
        heading={<Section>{limbIn(say, item.limbName)}</Section>}
        onWhy={() => setWhy(true)}
      />
      <Sentence phrases={phrases} />
      {cut.upToCm === undefined ? null : (
        <FoundField cut={cut} found={found} units={today.units} onChange={setFound} />
      )}
      <HandlingLines view={view} today={today} handling={handling} cut={placed ?? cut} infected={infected} />
      <View flexDirection="row" flexWrap="wrap" gap={12}>
        <Button onPress={() => setSheet('elsewhere')}>{say('cut.cutElsewhere')}</Button>
        <Button onPress={foundMore}>{say('cut.foundMore')}</Button>
      </View>
      <Cautions list={handling.cautions} />
      <WhySheet view={view} today={today} cut={why ? cut : null} onClose={() => setWhy(false)} />
      <CouldNot item={item} open={sheet === 'could not'} onClose={() => setSheet(null)} />
      {blade ? (
        <Elsewhere
          view={view}
          item={item}
          today={today}
          blade={blade}
          open={sheet === 'elsewhere'}
          onClose={() => setSheet(null)}
        />
      ) : null}
    </CardFrame>
  );
}

function BigFigure({ cut, today }: { cut: Cut; today: SiteToday }) {
  const say = useSay();
  const { value, unit } = readingIn(say, tapeReading(cut.upToCm ?? cut.atCm, today.units, 'down'));
  const mark = decimalMark(say);
  const atCollar = cut.upToCm === undefined && cut.atCm === 0;
  const [whole, part] = value.split(mark);
  return (
    <View flexDirection="row" alignItems="center" gap={16} flexWrap="wrap">
      <View flexDirection="row" alignItems="baseline">
        <Figure color="$kerfText" fontSize={atCollar ? '$72' : '$104'} lineHeight={atCollar ? '$72' : '$104'}>
          {atCollar ? say('shared.collar') : whole}
        </Figure>
        {part && !atCollar ? (
          <Figure color="$kerfText" fontSize="$44" lineHeight="$44">
            {mark}
            {part}
          </Figure>
        ) : null}
      </View>
      <View flex={1} minWidth={120}>
        {atCollar ? null : (
          <Body>
            {say('cut.fromTheCollar', { unit, more: cut.upToCm === undefined ? '' : say('cut.orBelow') })}
          </Body>
        )}
        <Section>{cut.upToCm === undefined ? kindWords(say, cut) : say('cut.atTheFirstUsableBud')}</Section>
      </View>
    </View>
  );
}

/** Where buds were not mapped, the place is found on the tree and typed here. */
function FoundField({
  cut,
  found,
  units,
  onChange,
}: {
  cut: Cut;
  found: string;
  units: Units;
  onChange(text: string): void;
}) {
  const say = useSay();
  const upTo = tapeText(say, cut.upToCm ?? 0, units, 'down');
  const fault =
    found !== '' && placedCut(cut, found, units) === null
      ? say('cut.aLengthFrom0TheCollarTo', { upTo })
      : undefined;
  return (
    <View maxWidth={420} flexDirection="row">
      <Field
        label={say('cut.whereDidYouCutFromTheCollar', {
          more: units === 'us' ? say('shared.in') : say('shared.cm'),
        })}
        kind="decimal"
        value={found}
        onChangeText={onChange}
        fault={fault}
        hint={say('cut.n0ForTheCollarAtMost', { upTo })}
      />
    </View>
  );
}

/** The cut as it is recorded: as planned, or where the bud was found; null while that is not said. */
function placedCut(cut: Cut, found: string, units: Units): Placed | null {
  if (cut.upToCm === undefined) return placedAt(cut);
  const typed = typedLengthCm(found, units);
  if (!('cm' in typed) || typed.cm > cut.upToCm + 0.01) return null;
  return { limbId: cut.limbId, atCm: typed.cm, kind: typed.cm === 0 ? 'collar' : 'heading' };
}
