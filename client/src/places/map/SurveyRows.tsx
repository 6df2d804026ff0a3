// The limbs that were tapped so far, and what can be tapped anew.

import { type Surveyed, saidOfLimb, type Tap, withoutTapped } from '@mortisect/core/survey';
import { View } from '@tamagui/core';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { Button } from '../../ui/Button';
import { Section, Small } from '../../ui/type';
import { MeasuredRows } from './MeasuredRows';
import type { SurveyDraft } from './mapDraft';
import { lengthWithin } from './surveyWords';

interface SurveyRowsProps {
  draft: SurveyDraft;
  found: Surveyed;
  twelveBearingDeg: number;
  chosenId: string | null;
  onChoose(id: string): void;
  onKeep(draft: SurveyDraft): void;
  /** Another tap is asked for out of its turn. */
  onAsk(which: number, tap: Tap): void;
}

export function SurveyRows({
  draft,
  found,
  twelveBearingDeg,
  chosenId,
  onChoose,
  onKeep,
  onAsk,
}: SurveyRowsProps) {
  const say = useSay();
  const units = useUnits();
  if (found.photos[0] !== null) return null;
  return (
    <View gap={8} maxWidth={760}>
      <Section>{say('round.limbs')}</Section>
      <View flexDirection="row" alignItems="center" flexWrap="wrap" gap={12}>
        <Small flex={1} minWidth={160}>
          {found.stem
            ? say('round.surveyStemHigh', { high: lengthWithin(say, found.stem.lengthCm, units) })
            : say('round.surveyNoStemTop')}
        </Small>
        <Button onPress={() => onAsk(0, { what: 'stemTop' })}>{say('round.surveyStemEnd')}</Button>
      </View>
      <MeasuredRows
        limbs={draft.limbs}
        found={found.limbs}
        {...{ twelveBearingDeg, chosenId, onChoose }}
        onSay={(id, said) => onKeep({ ...draft, limbs: saidOfLimb(draft.limbs, id, said) })}
        tools={({ id }) => (
          <>
            <Button onPress={() => onAsk(0, { what: 'base', limbId: id })}>
              {say('round.surveyBaseAgain')}
            </Button>
            <Button onPress={() => onAsk(0, { what: 'tip', limbId: id })}>
              {say('round.surveyTipAgain')}
            </Button>
            {draft.photos[1] ? (
              <Button onPress={() => onAsk(1, { what: 'tipAgain', limbId: id })}>
                {say('round.surveyTipSecond')}
              </Button>
            ) : null}
            <Button onPress={() => onAsk(0, { what: 'left', limbId: id })}>
              {say('round.surveyMeasureThick')}
            </Button>
            <Button
              kind="quiet"
              onPress={() => {
                onChoose(id);
                onKeep({ ...draft, limbs: withoutTapped(draft.limbs, id) });
              }}
            >
              {say('shared.remove')}
            </Button>
          </>
        )}
      />
    </View>
  );
}
