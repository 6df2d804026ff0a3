// Where a photo was taken from, and the photo itself: by the camera, from the device, or by the simulated camera.

import { clockHour } from '@mortisect/core/measure';
import type { TreeSummary } from '@mortisect/core/records';
import { AWAY_CM, grounds, type Photo, withPhoto } from '@mortisect/core/survey';
import { View } from '@tamagui/core';
import { useRef, useState } from 'react';
import { inWords } from '../../data/api';
import { MOST_PIXELS, PhotoTooLarge, PhotoUnreadable } from '../../data/photo';
import { readTree } from '../../data/queries';
import { keepPicture, pictureFrom, type SurveyPicture } from '../../data/surveyPictures';
import { useSay } from '../../data/useSay';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { FieldRow } from '../../ui/FieldRow';
import { LengthField } from '../../ui/LengthField';
import { Notice } from '../../ui/Notice';
import { Select } from '../../ui/Select';
import { Label, Small } from '../../ui/type';
import { PhotoFile } from '../usePhotoInput';
import { hourBearing, hoursIn } from './hours';
import { AWAY_STARTS_CM, type SurveyDraft } from './mapDraft';
import { SimulatedTrees } from './SimulatedTrees';
import { simulatedPhoto } from './simulatedCamera';

interface PhotoTakenProps {
  tree: TreeSummary;
  which: number;
  draft: SurveyDraft;
  keep(draft: SurveyDraft): void;
  twelveBearingDeg: number;
  /** The photo stands over this: it can be taken again. */
  isShown: boolean;
}

const QUARTER_HOURS = 3;
const FIRST_HOUR = 6;

const GROUND = {
  level: 'round.surveyLevel',
  up: 'round.surveyUp',
  down: 'round.surveyDown',
} as const;

type Place = Pick<Photo, 'bearingDeg' | 'awayCm' | 'ground'>;

export function PhotoTaken({ tree, which, draft, keep, twelveBearingDeg, isShown }: PhotoTakenProps) {
  const say = useSay();
  const photo = draft.photos[which];
  const first = draft.photos[0];
  const [meant, setMeant] = useState<Place>(() => ({
    bearingDeg: hourBearing(
      which === 0 || !first ? FIRST_HOUR : clockHour(first.bearingDeg, twelveBearingDeg) + QUARTER_HOURS,
      twelveBearingDeg,
    ),
    awayCm: first?.awayCm ?? AWAY_STARTS_CM,
    ground: first?.ground ?? 'level',
  }));
  const [fault, setFault] = useState<string | null>(null);
  const [simulating, setSimulating] = useState(false);
  const camera = useRef<HTMLInputElement>(null);
  const gallery = useRef<HTMLInputElement>(null);
  const place: Place = photo ?? meant;
  const set = (change: Partial<Place>) => {
    setMeant({ ...place, ...change });
    if (photo) keep({ ...draft, photos: draft.photos.with(which, { ...photo, ...change }) });
  };
  const take = async (reading: () => Promise<SurveyPicture>) => {
    try {
      const picture = await reading();
      await keepPicture(tree.id, which, picture);
      const { widthPx, heightPx, focalMm35, simulatedOf } = picture;
      const { bearingDeg, awayCm, ground } = place;
      const taken = { widthPx, heightPx, focalMm35, bearingDeg, awayCm, ground, foot: null, poleTop: null };
      const simulated = draft.simulatedOf.slice();
      simulated[which] = simulatedOf;
      keep({ ...draft, ...withPhoto(draft, which, taken), taken: draft.taken + 1, simulatedOf: simulated });
      setFault(null);
    } catch (error) {
      setFault(takeFault(say, error));
    }
  };
  const fromFile = (file: File | undefined) => file && void take(() => pictureFrom(file));
  const label = say('round.surveyTakePhoto', { which: which + 1 });
  return (
    <View gap={12} maxWidth={760}>
      {fault ? (
        <Notice kind="caution" title={say('shared.notTaken')}>
          {fault}
        </Notice>
      ) : null}
      {isShown ? null : (
        <Small>{say(which === 0 ? 'round.surveyStandFirst' : 'round.surveyStandSecond')}</Small>
      )}
      <FieldRow>
        <Select
          label={say('round.surveyStoodAt')}
          value={String(clockHour(place.bearingDeg, twelveBearingDeg))}
          options={hoursIn(say)}
          onChange={(hour) => set({ bearingDeg: hourBearing(Number(hour), twelveBearingDeg) })}
        />
        <LengthField
          grow
          label={say('round.surveyAway')}
          cm={place.awayCm}
          leastCm={AWAY_CM.least}
          mostCm={AWAY_CM.most}
          onChange={(awayCm) => set({ awayCm })}
        />
      </FieldRow>
      <Label>{say('round.surveyGround')}</Label>
      <Choice
        label={say('round.surveyGround')}
        value={place.ground}
        options={grounds.map((value) => ({ value, label: say(GROUND[value]) }))}
        onChange={(ground) => set({ ground })}
      />
      <PhotoFile at={camera} label={label} capture onTaken={fromFile} />
      <PhotoFile at={gallery} label={say('shared.fromTheGallery2', { label })} onTaken={fromFile} />
      <View flexDirection="row" flexWrap="wrap" gap={8}>
        <Button kind={isShown ? 'plain' : 'main'} onPress={() => camera.current?.click()}>
          {isShown ? say('shared.takeItAgain') : say('shared.takeAPhoto')}
        </Button>
        <Button onPress={() => gallery.current?.click()}>{say('shared.fromTheGallery')}</Button>
        <Button onPress={() => setSimulating(true)}>{say('round.surveySimulated')}</Button>
      </View>
      <SimulatedTrees
        title={say('round.surveySimulatedOf')}
        tree={tree}
        open={simulating}
        onClose={() => setSimulating(false)}
        onChosen={(from) => {
          setSimulating(false);
          void take(async () => {
            const { id, limbs } = { id: from.id, limbs: (await readTree(from.id)).limbs };
            return simulatedPhoto({ id, limbs }, { ...place, eyeCm: draft.eyeCm }, draft.poleCm);
          });
        }}
      />
    </View>
  );
}

function takeFault(say: ReturnType<typeof useSay>, error: unknown): string {
  if (error instanceof PhotoUnreadable) return say('shared.thisFileIsNoPhotoThatCan');
  if (error instanceof PhotoTooLarge)
    return say('round.surveyTooLarge', { megapixels: error.megapixels, most: MOST_PIXELS / 1e6 });
  if (error instanceof DOMException) return say('shared.thePhotoCouldNotBeKeptOn');
  return inWords(say, error);
}
