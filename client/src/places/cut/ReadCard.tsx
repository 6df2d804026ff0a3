// After a cut into ill or suspect wood: what the face says, what stays behind, where the wood goes.

import { woodClass } from '@mortisect/core/blades';
import { kindOf, plainDisorder } from '@mortisect/core/disorders';
import { thicknessReading, typedLengthCm } from '@mortisect/core/measure';
import { judgedAsMade } from '@mortisect/core/present';
import type { ActionOf } from '@mortisect/core/records';
import type { Judgement } from '@mortisect/core/residual';
import { type AfterCut, findingAt } from '@mortisect/core/run';
import type { Say } from '@mortisect/words';
import { joined, limbIn, tapeText } from '@mortisect/words/trade';
import { useMemo, useState } from 'react';
import { useTree } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
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
const pithsIn = (say: Say): { value: Pith; label: string }[] => [
  { value: 'green', label: say('cut.greenClean') },
  { value: 'brown', label: say('cut.stillBrown') },
  { value: 'stained', label: say('cut.stained') },
];

const isIll = (pith: Pith | null) => pith === 'brown' || pith === 'stained';

export function ReadCard({ here, card }: { here: RunHere; card: AfterCut }) {
  const say = useSay();
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
      isIll(pith) && detail
        ? findingAt(
            detail,
            cut.cut,
            furtherCm ?? REACH_CM,
            { disorder, note: say('cut.seenOnTheCutFace'), seenAt: at },
            today,
          )
        : null;
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
      title={say('cut.checkTheCutFace')}
      subtitle={`${detail?.tree.code ?? ''} · ${limbIn(say, cut.cut.limbName)}`}
      width="full"
      actions={
        <>
          <Button minHeight={68} onPress={() => record('not read')} disabled={recording.isPending}>
            {say('cut.didNotCheck')}
          </Button>
          <Button
            grow
            kind="main"
            minHeight={68}
            disabled={pith === null || faulty || recording.isPending}
            onPress={() => pith && record(pith)}
          >
            {ill ? say('cut.stillBrownPlanACutFurtherBack') : say('cut.cutFaceIsSound')}
          </Button>
        </>
      }
    >
      <Columns beside={<RunMap run={here.run} />}>
        <Failed title={say('shared.notRecordedYet')} error={recording.error ?? saving.error} />
        <Choice label={say('cut.theFaceOfTheCut')} options={pithsIn(say)} value={pith} onChange={setPith} />
        {ill ? (
          <Field
            label={say('cut.howFarTowardTheTrunk', {
              more: today.units === 'us' ? say('shared.in') : say('shared.cm'),
            })}
            kind="decimal"
            value={further}
            onChangeText={setFurther}
            fault={further !== '' && furtherCm === null ? say('cut.aLengthLike12') : undefined}
            hint={say('cut.scratchTheBarkBelowTheCutEmpty', { tape: tapeText(say, REACH_CM, today.units) })}
          />
        ) : null}
        <Field
          label={say('cut.measuredAcross', { more: today.units === 'us' ? say('shared.in') : say('cut.mm') })}
          kind="decimal"
          value={diameter}
          onChangeText={setDiameter}
          fault={diameter !== '' && measuredMm === null ? say('cut.aThicknessLike38') : undefined}
          hint={say('cut.theMapSays', {
            thickness: joined(say, thicknessReading(cut.cut.diameterMm, today.units)),
          })}
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
  const say = useSay();
  if (!judged || diseased.length === 0) return null;
  const left = diseased.map((id) => judged.left.find(({ findingId }) => findingId === id));
  if (left.includes(undefined)) return <Body>{say('cut.theCutFellAtTheEdgeOf')}</Body>;
  const chance = Math.max(...left.map((entry) => entry?.chance ?? 0));
  if (chance === 0) return null;
  const before = chanceWords(say, chance);
  if (isIll(pith)) {
    return <Body>{say('cut.theFaceShowsItDiseaseIsStill', { before })}</Body>;
  }
  return <Body>{say('cut.thatDiseaseStaysBehindCleanWoodTo', { before })}</Body>;
}
