// A limb map from one photo or two, with a pole at the stem: places are tapped, core tells where the limbs are and how sure that is.

import type { TreeSummary } from '@mortisect/core/records';
import { EYE_CM, POLE_CM, type Tap } from '@mortisect/core/survey';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { FieldRow } from '../../ui/FieldRow';
import { LengthField } from '../../ui/LengthField';
import { Notice } from '../../ui/Notice';
import { Tabs } from '../../ui/Tabs';
import { useWide } from '../../ui/theme';
import { Body } from '../../ui/type';
import { OnePhoto } from './OnePhoto';
import { SurveyRows } from './SurveyRows';
import { surveyFaultWords } from './surveyWords';
import { useSurvey } from './useSurvey';

interface FromPicturesProps {
  tree: TreeSummary;
  twelveBearingDeg: number;
}

export function FromPictures({ tree, twelveBearingDeg }: FromPicturesProps) {
  const say = useSay();
  const units = useUnits();
  const wide = useWide();
  const { draft, keep, found } = useSurvey(tree.id);
  const [shown, setShown] = useState<'0' | '1'>('0');
  const [chosenId, setChosenId] = useState<string | null>(null);
  /** Asked for out of its turn. */
  const [asked, setAsked] = useState<{ which: number; tap: Tap } | null>(null);
  const photo = (which: number) => (
    <OnePhoto
      key={which}
      {...{ tree, twelveBearingDeg, which, draft, keep, found, chosenId, setChosenId }}
      asked={asked?.which === which ? asked.tap : null}
      onAsked={(tap) => setAsked(tap && { which, tap })}
    />
  );
  const hasFirst = draft.photos[0] !== undefined;
  const pole = (
    <View maxWidth={760}>
      <FieldRow>
        <LengthField
          grow
          label={say('round.surveyPole')}
          cm={draft.poleCm}
          leastCm={POLE_CM.least}
          mostCm={POLE_CM.most}
          onChange={(poleCm) => keep({ ...draft, poleCm })}
        />
        <LengthField
          grow
          label={say('round.surveyEyes')}
          cm={draft.eyeCm}
          leastCm={EYE_CM.least}
          mostCm={EYE_CM.most}
          onChange={(eyeCm) => keep({ ...draft, eyeCm })}
        />
      </FieldRow>
    </View>
  );
  if (!hasFirst) {
    return (
      <View gap={16}>
        <View maxWidth={760}>
          <Body>{say('round.surveyHow')}</Body>
        </View>
        {pole}
        {photo(0)}
      </View>
    );
  }
  return (
    <View gap={16}>
      {wide ? (
        <View flexDirection="row" gap={24}>
          <View flex={1} minWidth={0}>
            {photo(0)}
          </View>
          <View flex={1} minWidth={0}>
            {photo(1)}
          </View>
        </View>
      ) : (
        <>
          <Tabs
            label={say('round.surveyPhotos')}
            value={shown}
            options={[
              { value: '0', label: say('round.surveyFirst') },
              { value: '1', label: say('round.surveySecond') },
            ]}
            onChange={setShown}
          />
          {photo(Number(shown))}
        </>
      )}
      {found.pair && draft.photos[1]?.poleTop ? (
        <Notice kind="said">{surveyFaultWords(say, found.pair, units)}</Notice>
      ) : null}
      <SurveyRows
        {...{ draft, found, twelveBearingDeg, chosenId }}
        onChoose={(id) => setChosenId(id === chosenId ? null : id)}
        onKeep={keep}
        onAsk={(which, tap) => {
          setShown(which === 0 ? '0' : '1');
          setAsked({ which, tap });
        }}
      />
      {pole}
    </View>
  );
}
