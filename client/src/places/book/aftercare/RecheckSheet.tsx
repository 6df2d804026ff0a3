// One cut looked at again: its own place on the tape, and what is there now.

import { type RecheckOutcome, verdictOn } from '@mortisect/core/aftercare';
import { disorderOf } from '@mortisect/core/disorders';
import { DAY_MS, typedLengthCm } from '@mortisect/core/measure';
import { grownLimbs, type RecheckDue, type SiteToday, type treeView } from '@mortisect/core/present';
import { nextStopDay } from '@mortisect/core/timing';
import type { Say } from '@mortisect/words';
import { limbIn, lookForWords, recheckedWords, tapeText } from '@mortisect/words/trade';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { dayWords } from '../../../data/moment';
import { useTree } from '../../../data/queries';
import { useBriefly } from '../../../data/useBriefly';
import { useClock } from '../../../data/useClock';
import { useSay } from '../../../data/useSay';
import { viewOf } from '../../../data/views';
import { useRecordAction } from '../../../data/writes';
import { LimbTape } from '../../../drawings/tape/LimbTape';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Failed } from '../../../ui/Failed';
import { Field } from '../../../ui/Field';
import { Notice } from '../../../ui/Notice';
import { Sheet } from '../../../ui/Sheet';
import { Body, Section, Small } from '../../../ui/type';
import { bandsOf } from '../../bands';
import { switchUnits } from '../../units';
import { codeWords } from '../../words';

interface RecheckSheetProps {
  recheck: RecheckDue | null;
  today: SiteToday;
  onClose(): void;
}

export function RecheckSheet({ recheck, today, onClose }: RecheckSheetProps) {
  if (!recheck) return null;
  return <Looking key={recheck.id} recheck={recheck} today={today} onClose={onClose} />;
}

/** Nothing comes back where sound wood was shaped. */
const outcomesIn = (say: Say, { cut }: RecheckDue): { value: RecheckOutcome; label: string }[] => [
  { value: 'clean', label: say('shared.clean') },
  ...(isShaping(cut.disorders) ? [] : [{ value: 'came back' as const, label: say('book.cameBack') }]),
  { value: 'regrown', label: say('book.regrown') },
];

const isShaping = (disorders: readonly string[]) =>
  disorders.every((disorder) => disorderOf(disorder)?.kind === 'misplaced');

/** What it was cut for, and how far clear of it; nothing where sound wood was shaped without a finding. */
function whyWords(say: Say, { cut }: RecheckDue, { units }: SiteToday): string {
  if (cut.disorders.length === 0) return '';
  const code = codeWords(say, cut.disorders);
  const clearCm = cut.action.cut.clearanceCm - cut.action.cut.shortfallCm;
  return isShaping(cut.disorders)
    ? say('book.cutFor', { code })
    : say('book.cutForClear', { code, tape: tapeText(say, clearCm, units) });
}

function Looking({ recheck, today, onClose }: { recheck: RecheckDue; today: SiteToday; onClose(): void }) {
  const say = useSay();
  const { action } = recheck.cut;
  const { data: detail, error } = useTree(recheck.treeId);
  // The limb stands above what is tapped: come a moment later, it would push that from under the finger
  const isSoon = useBriefly(!detail && !error);
  const router = useRouter();
  const clock = useClock();
  const recording = useRecordAction();
  const [outcome, setOutcome] = useState<RecheckOutcome | null>(null);
  const [distance, setDistance] = useState('');
  const [shoots, setShoots] = useState('');
  const [staying, setStaying] = useState('');
  const [note, setNote] = useState('');
  const ofLeader =
    action.cut.atCm > 0 && detail?.limbs.find(({ id }) => id === action.cut.limbId)?.kind === 'trunk';
  const typed = typedLengthCm(distance, today.units);
  const distanceCm = outcome === 'came back' && 'cm' in typed ? typed.cm : null;
  const count = shoots.trim() === '' ? null : Number(shoots);
  // A stem that was shortened needs one shoot to lead
  const stay = staying.trim() === '' ? (ofLeader ? 1 : 0) : Number(staying);
  const tooMany = count !== null && (!Number.isInteger(stay) || stay < 0 || stay > count);
  const faulty =
    tooMany ||
    (outcome === 'came back' && distanceCm === null) ||
    (count !== null && (!Number.isInteger(count) || count < 0 || count > 200));
  const daysSince = Math.round((Date.parse(clock()) - Date.parse(action.at)) / DAY_MS);
  const record = () => {
    if (!outcome) return;
    recording.record(
      {
        kind: 'recheckDone',
        at: clock(),
        treeId: recheck.treeId,
        cutId: recheck.cutId,
        recheck: recheck.kind,
        outcome,
        distanceCm,
        shoots: count,
        ...(count !== null && count > 0 && { stay }),
        note: note.trim(),
      },
      () => {
        onClose();
        // What came back is marked where it is, and the plan is solved again
        if (outcome === 'came back')
          router.navigate({
            pathname: '/round/[treeId]',
            params: { treeId: recheck.treeId, limb: action.cut.limbId },
          });
      },
    );
  };
  const sheet = {
    title: [detail?.tree.code, limbIn(say, action.cut.limbName)].filter(Boolean).join(' · '),
    closeLabel: say('shared.back'),
  };
  if (isSoon)
    return (
      <Sheet {...sheet} open onClose={onClose}>
        <Small role="status">{say('shared.readingTheOrchard')}</Small>
      </Sheet>
    );
  return (
    <Sheet
      {...sheet}
      open
      onClose={onClose}
      actions={
        <Button grow kind="main" disabled={!outcome || faulty || recording.isPending} onPress={record}>
          {outcome === 'came back' ? say('book.recordMarkIt') : say('shared.recordIt')}
        </Button>
      }
    >
      <Body>
        {say('book.cutOnBy', {
          day: dayWords(recheck.cut.day),
          by: recheck.cut.by,
          why: whyWords(say, recheck, today),
          lookFor: lookForWords(say, recheck.lookFor),
        })}
      </Body>
      {detail ? <CutPlace detail={detail} recheck={recheck} today={today} /> : null}
      {recheck.shoots && recheck.shoots[1] > 0 ? (
        <Small>
          {say('book.shootsToExpectAtItTo', { shoots: recheck.shoots[0], shoots2: recheck.shoots[1] })}
        </Small>
      ) : null}
      <Section>{say('book.whatIsThereNow')}</Section>
      <Choice
        label={say('book.whatIsThereNow2')}
        options={outcomesIn(say, recheck)}
        value={outcome}
        onChange={setOutcome}
      />
      {outcome === 'came back' ? (
        <Field
          label={say('book.howFarFromTheCutTowardThe', {
            more: today.units === 'us' ? say('shared.in') : say('shared.cm'),
          })}
          kind="decimal"
          value={distance}
          onChangeText={setDistance}
          fault={distance !== '' && distanceCm === null ? say('book.aLengthLike120AtThe') : undefined}
        />
      ) : null}
      {outcome === 'regrown' || outcome === 'clean' ? (
        <Field
          label={say('book.shootsAtTheCut')}
          kind="decimal"
          value={shoots}
          onChangeText={setShoots}
          hint={say('book.emptyWhereYouDidNotCount')}
        />
      ) : null}
      {outcome && outcome !== 'came back' && count !== null && count > 0 ? (
        <Field
          label={say('book.howManyStay')}
          kind="decimal"
          value={staying}
          onChangeText={setStaying}
          fault={tooMany ? say('book.howManyStayRange', { most: count }) : undefined}
          hint={`${say(ofLeader ? 'book.oneLeads' : 'book.othersStay')} ${say('book.othersComeOff', { stop: dayWords(nextStopDay(today.day, today.site.timing.stopDay, today.site.latitude)) })}`}
        />
      ) : null}
      {outcome && (outcome !== 'came back' || distanceCm !== null) ? (
        <Notice kind={outcome === 'came back' ? 'caution' : 'said'}>
          {recheckedWords(say, verdictOn(outcome, distanceCm, daysSince))}
        </Notice>
      ) : null}
      <Field label={say('shared.note')} value={note} onChangeText={(text) => setNote(text.slice(0, 300))} />
      <Failed title={say('shared.notRecordedYet')} error={recording.error} />
    </Sheet>
  );
}

/** The limb as it was mapped, with the kerf where it was made. */
function CutPlace({
  detail,
  recheck,
  today,
}: {
  detail: Parameters<typeof treeView>[0];
  recheck: RecheckDue;
  today: SiteToday;
}) {
  const say = useSay();
  const view = viewOf(detail, today);
  const { cut } = recheck.cut.action;
  const limbs = grownLimbs(detail);
  const limb = limbs.find(({ id }) => id === cut.limbId);
  if (!limb) return null;
  return (
    <View>
      <LimbTape
        heading={
          <Section>
            {cut.atCm === 0
              ? say('book.cutAtTheCollar')
              : say('book.cutAt', { tape: tapeText(say, cut.atCm, today.units) })}
          </Section>
        }
        limbs={limbs}
        limbId={cut.limbId}
        names={view.names}
        bands={bandsOf(view.considered)}
        draft={undefined}
        cut={{
          limbId: cut.limbId,
          atCm: cut.atCm,
          kind: cut.kind,
          targetLimbId: cut.limbId,
          targetCm: cut.atCm,
          shortfallCm: cut.shortfallCm,
          lesionIds: [],
          swallowedBy: null,
          because: [],
        }}
        units={today.units}
        twelveBearingDeg={today.site.twelveBearingDeg}
        says={say('book.itWasCut', {
          limbName: limbIn(say, cut.limbName),
          more:
            cut.atCm === 0
              ? say('shared.atTheCollar')
              : say('book.at', { tape: tapeText(say, cut.atCm, today.units) }),
        })}
        onWhy={undefined}
        onSwitchUnits={() => switchUnits(today)}
      />
    </View>
  );
}
