// A limb map from one photo or two, with a pole at the stem: places are tapped, core tells where the limbs are and how sure that is.

import type { TreeSummary } from '@mortisect/core/records';
import {
  afterTap,
  EYE_CM,
  type LimbSurveyed,
  lineOf,
  nextTap,
  POLE_CM,
  rayThrough,
  type Surveyed,
  surveyed,
  type Tap,
  tapOf,
  withTap,
} from '@mortisect/core/survey';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { usePictureUrl } from '../../data/surveyPictures';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { newId } from '../../data/writes';
import { type PhotoMark, TappedPhoto } from '../../drawings/TappedPhoto';
import { FieldRow } from '../../ui/FieldRow';
import { LengthField } from '../../ui/LengthField';
import { Notice } from '../../ui/Notice';
import { Tabs } from '../../ui/Tabs';
import { useWide } from '../../ui/theme';
import { Body, Label, Small } from '../../ui/type';
import { keepMapDraft, type SurveyDraft, useMapDrafts } from './mapDraft';
import { PhotoTaken } from './PhotoTaken';
import { SurveyRows } from './SurveyRows';
import { surveyFaultWords } from './surveyWords';

const NEW_SURVEY: SurveyDraft = {
  ...{ poleCm: 200, eyeCm: 165, photos: [], stemTop: null, limbs: [] },
  ...{ taken: 0, simulatedOf: [] },
};

/** The page and its buttons ask for the same. */
const surveyedOf = new WeakMap<SurveyDraft, Surveyed>();

function surveyedOnce(draft: SurveyDraft): Surveyed {
  const known = surveyedOf.get(draft) ?? surveyed(draft);
  surveyedOf.set(draft, known);
  return known;
}

/** What was tapped so far of a tree, and what core makes of it. */
export function useSurvey(treeId: string): {
  draft: SurveyDraft;
  keep(draft: SurveyDraft): void;
  found: Surveyed;
  limbs: LimbSurveyed[];
} {
  const draft = useMapDrafts(({ surveys }) => surveys[treeId]) ?? NEW_SURVEY;
  const found = surveyedOnce(draft);
  return {
    draft,
    keep: (next) => keepMapDraft('surveys', treeId, next),
    found,
    limbs: found.limbs.flatMap((limb) => ('fault' in limb ? [] : [limb])),
  };
}

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

interface OnePhotoProps {
  tree: TreeSummary;
  twelveBearingDeg: number;
  which: number;
  draft: SurveyDraft;
  keep(draft: SurveyDraft): void;
  found: Surveyed;
  chosenId: string | null;
  setChosenId(id: string | null): void;
  asked: Tap | null;
  onAsked(tap: Tap | null): void;
}

function OnePhoto(props: OnePhotoProps) {
  const { tree, which, draft, keep, found, chosenId, setChosenId, asked, onAsked, twelveBearingDeg } = props;
  const say = useSay();
  const units = useUnits();
  const [inHand, setInHand] = useState<Tap | null>(null);
  const { url, isRead } = usePictureUrl(tree.id, which, draft.taken);
  const photo = draft.photos[which];
  const tap = asked ?? nextTap(draft, which);
  const fault = found.photos[which];
  const isTold = fault && fault.why !== 'noFoot' && fault.why !== 'noPoleTop';
  const put = (meant: Tap, at: { x: number; y: number }) =>
    keep({ ...draft, ...withTap(draft, which, meant, at, newId()) });
  const onTap = (at: { x: number; y: number }) => {
    if (!tap) return;
    const id = newId();
    const next = withTap(draft, which, tap, at, id);
    keep({ ...draft, ...next });
    setInHand(tap.what === 'base' && tap.limbId === null ? { what: 'base', limbId: id } : tap);
    if ('limbId' in tap) setChosenId(tap.limbId ?? id);
    onAsked(asked && tap.what === 'left' ? afterTap(next, which, tap) : null);
  };
  return (
    <View gap={12}>
      {photo && url ? (
        <>
          <Label role="status" fontSize="$22" lineHeight="$22" color="$chalk" minHeight={28}>
            {askedWords(say, tap, draft)}
          </Label>
          <TappedPhoto
            label={say('round.surveyPhotoOf', { which: which + 1, tree: tree.code })}
            url={url}
            widthPx={photo.widthPx}
            heightPx={photo.heightPx}
            marks={marksOf(say, draft, which)}
            wood={woodOf(draft, which, chosenId)}
            line={lineFor(draft, found, which, tap)}
            inHandId={inHand && markId(inHand)}
            onTap={onTap}
            onMove={(id, at) => {
              const meant = tapsOn(draft, which).find((one) => markId(one) === id);
              if (meant) put(meant, at);
            }}
          />
          {isTold ? (
            <Notice kind="caution" title={say('round.surveyDoesNotFit')}>
              {surveyFaultWords(say, fault, units)}
            </Notice>
          ) : null}
          <Small>
            {photo.focalMm35 === null
              ? say('round.surveyNoLens')
              : say('round.surveyLens', { mm: Math.round(photo.focalMm35) })}
          </Small>
          {draft.simulatedOf[which] ? <Small>{say('round.surveySimulatedSays')}</Small> : null}
        </>
      ) : null}
      {photo && isRead && !url ? <Notice kind="caution">{say('round.surveyPhotoGone')}</Notice> : null}
      <PhotoTaken
        {...{ tree, which, draft, keep, twelveBearingDeg }}
        isShown={photo !== undefined && url !== null}
      />
    </View>
  );
}

type Say = ReturnType<typeof useSay>;

/** Every place that is tapped on a photo. */
function tapsOn({ limbs, stemTop }: SurveyDraft, which: number): Tap[] {
  const pole: Tap[] = [{ what: 'foot' }, { what: 'poleTop' }];
  if (which === 1)
    return [
      ...pole,
      ...limbs.flatMap(({ id, tipAgain }): Tap[] => (tipAgain ? [{ what: 'tipAgain', limbId: id }] : [])),
    ];
  return [
    ...pole,
    ...(stemTop ? [{ what: 'stemTop' } as const] : []),
    ...limbs.flatMap(({ id, across }): Tap[] => [
      { what: 'base', limbId: id },
      { what: 'tip', limbId: id },
      ...(across
        ? ([
            { what: 'left', limbId: id },
            { what: 'right', limbId: id },
          ] as const)
        : []),
    ]),
  ];
}

const markId = (tap: Tap) => ('limbId' in tap ? `${tap.what} ${tap.limbId}` : tap.what);

function marksOf(say: Say, draft: SurveyDraft, which: number): PhotoMark[] {
  return tapsOn(draft, which).flatMap((tap) => {
    const at = tapOf(draft, which, tap);
    if (!at) return [];
    const isEnd = tap.what === 'tip' || tap.what === 'tipAgain';
    const text = isEnd ? String(numberOf(draft, tap.limbId)) : '';
    return [{ id: markId(tap), at, text, says: askedWords(say, tap, draft) }];
  });
}

const numberOf = ({ limbs }: SurveyDraft, limbId: string | null) => {
  const at = limbs.findIndex(({ id }) => id === limbId);
  return at < 0 ? limbs.length + 1 : at + 1;
};

/** What is to be tapped, in words. */
function askedWords(say: Say, tap: Tap | null, draft: SurveyDraft): string {
  if (!tap) return say('round.surveyAllTapped');
  const n = 'limbId' in tap ? numberOf(draft, tap.limbId) : 0;
  return {
    foot: () => say('round.surveyTapFoot'),
    poleTop: () => say('round.surveyTapPole'),
    stemTop: () => say('round.surveyTapStem'),
    base: () => say('round.surveyTapBase', { n }),
    tip: () => say('round.surveyTapTip', { n }),
    tipAgain: () => say('round.surveyTapTipAgain', { n }),
    left: () => say('round.surveyTapLeft', { n }),
    right: () => say('round.surveyTapRight', { n }),
  }[tap.what]();
}

function woodOf(draft: SurveyDraft, which: number, chosenId: string | null) {
  const { foot, poleTop } = draft.photos[which] ?? { foot: null, poleTop: null };
  const pole = foot && poleTop ? [{ id: 'pole', from: foot, to: poleTop, isChosen: false }] : [];
  if (which === 1) return pole;
  return [
    ...pole,
    ...draft.limbs.flatMap(({ id, base, tip }) =>
      base && tip ? [{ id, from: base, to: tip, isChosen: id === chosenId }] : [],
    ),
  ];
}

/** Where a tip of the first photo must lie on the second. */
function lineFor(draft: SurveyDraft, { lenses }: Surveyed, which: number, tap: Tap | null) {
  const [near, far] = lenses;
  const [one, other] = draft.photos;
  if (which !== 1 || tap?.what !== 'tipAgain' || !near || !far || !one || !other) return null;
  const tip = draft.limbs.find(({ id }) => id === tap.limbId)?.tip;
  return tip ? lineOf(rayThrough(tip, near, one), far, other) : null;
}
