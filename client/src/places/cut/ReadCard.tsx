// After a cut into ill or suspect wood: what the face says, what stays behind, where the wood goes.

import { woodClass } from '@mortisect/core/blades';
import { kindOf, plainDisorder } from '@mortisect/core/disorders';
import { joined, tapeText, thicknessReading, typedLengthCm } from '@mortisect/core/measure';
import { judgedAsMade } from '@mortisect/core/present';
import type { ActionOf } from '@mortisect/core/records';
import type { Judgement } from '@mortisect/core/residual';
import { type AfterCut, findingAt } from '@mortisect/core/run';
import { useMemo, useState } from 'react';
import { useTree } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { newId, useRecordAction, useSaveFinding } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Columns } from '../../ui/Columns';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Screen } from '../../ui/Screen';
import { Body } from '../../ui/type';
import { chanceWords } from '../plan/planView';
import { CarryAway } from './CarryAway';
import { RunMap } from './RunMap';
import { UndoLast } from './UndoLast';
import type { RunHere } from './useRun';

type Pith = ActionOf<'woodRead'>['pith'];
const PITHS: { value: Pith; label: string }[] = [
  { value: 'green', label: 'Green, clean' },
  { value: 'brown', label: 'Still brown' },
  { value: 'stained', label: 'Stained' },
];

const isIll = (pith: Pith | null) => pith === 'brown' || pith === 'stained';

export function ReadCard({ here, card }: { here: RunHere; card: AfterCut }) {
  const { today } = here;
  const { cut, cutId } = card;
  const detail = useTree(cut.treeId).data;
  const judged = useMemo(() => (detail ? judgedAsMade(detail, cutId, today) : null), [detail, cutId, today]);
  const diseased = (detail?.findings ?? [])
    .filter(({ id, disorder: code }) => cut.findingIds.includes(id) && kindOf(code) === 'diseased')
    .map(({ id }) => id);
  const clock = useClock();
  const recording = useRecordAction();
  const saving = useSaveFinding();
  const [pith, setPith] = useState<Pith | null>(null);
  const [further, setFurther] = useState('');
  const [diameter, setDiameter] = useState('');
  const typed = typedLengthCm(further, today.units);
  const furtherCm = further === '' ? null : 'cm' in typed ? typed.cm : null;
  const measuredMm = diameter === '' ? null : diameterMm(diameter, today.units);
  const faulty = (further !== '' && furtherCm === null) || (diameter !== '' && measuredMm === null);
  const ill = isIll(pith);
  const met = cut.disorders ?? [];
  const disorder = met.find((code) => woodClass([code]) === 'infected') ?? plainDisorder('dead');

  const record = (pith: Pith) => {
    const at = clock();
    // What is ill on the face goes on toward the trunk: it is marked there, and the plan proposes the next cut
    const finding =
      isIll(pith) && detail ? findingAt(detail, cut.cut, furtherCm ?? REACH_CM, disorder, today, at) : null;
    const findingId = newId();
    // The finding first: with the reading on record and nothing marked the run would be over for a moment
    if (finding) saving.mutate({ id: findingId, baseRevision: null, finding });
    recording.record({
      kind: 'woodRead',
      at,
      treeId: cut.treeId,
      cutId,
      pith,
      diameterMm: measuredMm,
      furtherCm,
      ...(finding && { marked: findingId }),
    });
  };
  return (
    <Screen
      title="Check the cut face"
      subtitle={`${detail?.tree.code ?? ''} · ${cut.cut.limbName}`}
      width="full"
      actions={
        <>
          <Button minHeight={68} onPress={() => record('not read')} disabled={recording.isPending}>
            Did not check
          </Button>
          <Button
            grow
            kind="main"
            minHeight={68}
            disabled={pith === null || faulty || recording.isPending}
            onPress={() => pith && record(pith)}
          >
            {ill ? 'Still brown: plan a cut further back' : 'Cut face is sound'}
          </Button>
        </>
      }
    >
      <Columns beside={<RunMap run={here.run} />}>
        <Failed title="Not recorded yet" error={recording.error ?? saving.error} />
        <Choice label="The face of the cut" options={PITHS} value={pith} onChange={setPith} />
        {ill ? (
          <Field
            label={`How far toward the trunk, ${today.units === 'us' ? 'in' : 'cm'}`}
            kind="decimal"
            value={further}
            onChangeText={setFurther}
            fault={further !== '' && furtherCm === null ? 'A length, like 12.' : undefined}
            hint={`Scratch the bark below the cut. Empty: ${tapeText(REACH_CM, today.units)}. The next cut is proposed at once.`}
          />
        ) : null}
        <Field
          label={`Measured across, ${today.units === 'us' ? 'in' : 'mm'}`}
          kind="decimal"
          value={diameter}
          onChangeText={setDiameter}
          fault={diameter !== '' && measuredMm === null ? 'A thickness, like 38.' : undefined}
          hint={`The map says ${joined(thicknessReading(cut.cut.diameterMm, today.units))}.`}
        />
        <StaysBehind judged={judged} diseased={diseased} pith={pith} />
        <CarryAway cut={cut} here={here} />
        <UndoLast run={here.run} />
      </Columns>
    </Screen>
  );
}

/** Where nothing was measured below the face. */
const REACH_CM = 5;
const MM_PER_INCH = 25.4;

function diameterMm(text: string, units: 'metric' | 'us'): number | null {
  const number = Number(text.replace(',', '.'));
  if (!Number.isFinite(number) || number <= 0) return null;
  const mm = units === 'us' ? number * MM_PER_INCH : number;
  return mm <= 2500 ? mm : null;
}

/** The chance that disease stays, as the cut was judged and by what is seen now. */
function StaysBehind({
  judged,
  diseased,
  pith,
}: {
  judged: Judgement | null;
  /** Ids of the diseased findings that the cut was made for. */
  diseased: readonly string[];
  pith: Pith | null;
}) {
  if (!judged || diseased.length === 0) return null;
  const left = diseased.map((id) => judged.left.find(({ findingId }) => findingId === id));
  if (left.includes(undefined))
    return (
      <Body>
        The cut fell at the edge of the disease or beyond it: diseased wood is still on the tree. It stays
        open, and the plan asks for it again.
      </Body>
    );
  const chance = Math.max(...left.map((entry) => entry?.chance ?? 0));
  if (chance === 0) return null;
  const before = chanceWords(chance);
  if (isIll(pith)) {
    return (
      <Body>
        {`The face shows it: disease is still there; as it was cut that was ${before}. The next cut is placed the full clearance from the new edge.`}
      </Body>
    );
  }
  return <Body>{`That disease stays behind: ${before}. Clean wood to the eye is no proof.`}</Body>;
}
