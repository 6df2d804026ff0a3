// One cut looked at again: its own place on the tape, and what is there now.

import { type RecheckOutcome, verdictOn } from '@mortisect/core/aftercare';
import { DAY_MS, tapeText, typedLengthCm } from '@mortisect/core/measure';
import type { RecheckDue, SiteToday, treeView } from '@mortisect/core/present';
import { lookForWords, recheckedWords } from '@mortisect/core/words';
import { View } from '@tamagui/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { dayWords } from '../../../data/moment';
import { useTree } from '../../../data/queries';
import { useClock } from '../../../data/useClock';
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

const OUTCOMES: { value: RecheckOutcome; label: string }[] = [
  { value: 'clean', label: 'Clean' },
  { value: 'came back', label: 'Came back' },
  { value: 'regrown', label: 'Regrown' },
];

function Looking({ recheck, today, onClose }: { recheck: RecheckDue; today: SiteToday; onClose(): void }) {
  const { action } = recheck.cut;
  const detail = useTree(recheck.treeId).data;
  const router = useRouter();
  const clock = useClock();
  const recording = useRecordAction();
  const [outcome, setOutcome] = useState<RecheckOutcome | null>(null);
  const [distance, setDistance] = useState('');
  const [shoots, setShoots] = useState('');
  const [note, setNote] = useState('');
  const typed = typedLengthCm(distance, today.units);
  const distanceCm = outcome === 'came back' && 'cm' in typed ? typed.cm : null;
  const count = shoots.trim() === '' ? null : Number(shoots);
  const faulty =
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
  return (
    <Sheet
      title={`${detail?.tree.code ?? ''} · ${action.cut.limbName}`}
      open
      onClose={onClose}
      closeLabel="Back"
      actions={
        <Button grow kind="main" disabled={!outcome || faulty || recording.isPending} onPress={record}>
          {outcome === 'came back' ? 'Record, mark it' : 'Record it'}
        </Button>
      }
    >
      <Body>
        {`Cut on ${dayWords(recheck.cut.day)} by ${recheck.cut.by} for ${codeWords(recheck.cut.disorders)}, ${tapeText(action.cut.clearanceCm - action.cut.shortfallCm, today.units)} clear. ${lookForWords(recheck.lookFor)}`}
      </Body>
      {detail ? <CutPlace detail={detail} recheck={recheck} today={today} /> : null}
      {recheck.shoots && recheck.shoots[1] > 0 ? (
        <Small>{`Shoots to expect at it: ${recheck.shoots[0]} to ${recheck.shoots[1]}.`}</Small>
      ) : null}
      <Section>What is there now?</Section>
      <Choice label="What is there now" options={OUTCOMES} value={outcome} onChange={setOutcome} />
      {outcome === 'came back' ? (
        <Field
          label={`How far from the cut, ${today.units === 'us' ? 'in' : 'cm'} toward the trunk`}
          kind="decimal"
          value={distance}
          onChangeText={setDistance}
          fault={
            distance !== '' && distanceCm === null ? 'A length, like 12; 0 at the cut itself.' : undefined
          }
        />
      ) : null}
      {outcome === 'regrown' || outcome === 'clean' ? (
        <Field
          label="Shoots at the cut"
          kind="decimal"
          value={shoots}
          onChangeText={setShoots}
          hint="Empty where you did not count."
        />
      ) : null}
      {outcome && (outcome !== 'came back' || distanceCm !== null) ? (
        <Notice kind={outcome === 'came back' ? 'caution' : 'said'}>
          {recheckedWords(verdictOn(outcome, distanceCm, daysSince))}
        </Notice>
      ) : null}
      <Field label="Note" value={note} onChangeText={(text) => setNote(text.slice(0, 300))} />
      <Failed title="Not recorded yet" error={recording.error} />
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
  const view = viewOf(detail, today);
  const { cut } = recheck.cut.action;
  const limb = detail.limbs.find(({ id }) => id === cut.limbId);
  if (!limb) return null;
  return (
    <View>
      <LimbTape
        heading={
          <Section>
            {cut.atCm === 0 ? 'Cut at the collar' : `Cut at ${tapeText(cut.atCm, today.units)}`}
          </Section>
        }
        limbs={detail.limbs}
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
        says={`${cut.limbName}: it was cut ${cut.atCm === 0 ? 'at the collar' : `at ${tapeText(cut.atCm, today.units)}`}.`}
        onWhy={undefined}
        onSwitchUnits={() => switchUnits(today)}
      />
    </View>
  );
}
