// One photo of a tree: what is to be tapped on it next, what was tapped, and where it was taken from.

import type { TreeSummary } from '@mortisect/core/records';
import {
  afterTap,
  lineOf,
  nextTap,
  rayThrough,
  type Surveyed,
  type Tap,
  tapOf,
  withTap,
} from '@mortisect/core/survey';
import { stemByForm } from '@mortisect/core/tree';
import { View } from '@tamagui/core';
import { useState } from 'react';
import { usePictureUrl } from '../../data/surveyPictures';
import { useSay } from '../../data/useSay';
import { useUnits } from '../../data/useToday';
import { newId } from '../../data/writes';
import { type PhotoMark, TappedPhoto } from '../../drawings/TappedPhoto';
import { Notice } from '../../ui/Notice';
import { Label, Small } from '../../ui/type';
import type { SurveyDraft } from './mapDraft';
import { PhotoTaken } from './PhotoTaken';
import { surveyFaultWords } from './surveyWords';

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

export function OnePhoto(props: OnePhotoProps) {
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
    const next = withTap(draft, which, tap, at, id, stemByForm(tree));
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
