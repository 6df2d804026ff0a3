// After a cut: what the wood says, where what came off goes, and after a big one a look from the ground.
import type { ActionOf, TreeDetail } from '@mortisect/contracts';
import { debrisOf } from '@mortisect/core/aftercare';
import { woodClass } from '@mortisect/core/blades';
import { isGrowing } from '@mortisect/core/disorders';
import { joined, massReading, tapeText, thicknessReading, typedLengthCm } from '@mortisect/core/measure';
import { residual } from '@mortisect/core/residual';
import { View } from '@tamagui/core';
import { useMemo, useState } from 'react';
import { treeView } from '../../data/orchardView';
import { useTree } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useOpenness } from '../../data/useOpenness';
import { newId, useRecordAction, useSaveFinding } from '../../data/writes';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Columns } from '../../ui/Columns';
import { Failed } from '../../ui/Failed';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { NumberField } from '../../ui/NumberField';
import { Screen } from '../../ui/Screen';
import { Body, Section, Small } from '../../ui/type';
import { PhotoImage } from '../PhotoImage';
import { chanceWords } from '../plan/planView';
import { TakePhoto } from '../TakePhoto';
import { DEBRIS_WORDS, disorderWords, percent, upperFirst } from '../words';
import { findingAt } from './freshFinding';
import { RunMap } from './RunMap';
import { UndoLast } from './UndoLast';
import type { RunHere } from './useRun';

export type AfterCard = { is: 'read' | 'stand back'; cutId: string; cut: ActionOf<'cutMade'> };

export function AfterCutCard({ here, card }: { here: RunHere; card: AfterCard }) {
  return card.is === 'read' ? (
    <ReadCard here={here} card={card} />
  ) : (
    <StandBackCard here={here} card={card} />
  );
}

type Pith = ActionOf<'woodRead'>['pith'];
const PITHS: { value: Pith; label: string }[] = [
  { value: 'green', label: 'Green, clean' },
  { value: 'brown', label: 'Still brown' },
  { value: 'stained', label: 'Stained' },
];

function ReadCard({ here, card }: { here: RunHere; card: AfterCard }) {
  const { today } = here;
  const { cut, cutId } = card;
  const detail = useTree(cut.treeId).data;
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
  const ill = pith === 'brown' || pith === 'stained';
  const met = cut.disorders ?? [];
  const disorder = met.find((code) => woodClass([code]) === 'infected') ?? 'DEAD';

  const record = (said: Pith) => {
    const at = clock();
    const isIll = said === 'brown' || said === 'stained';
    // What is ill on the face goes on toward the trunk: it is marked there, and the plan proposes the next cut
    const finding =
      isIll && detail ? findingAt(detail, cut.cut, furtherCm ?? REACH_CM, disorder, today, at) : null;
    const findingId = newId();
    recording.record({
      kind: 'woodRead',
      at,
      treeId: cut.treeId,
      cutId,
      pith: said,
      diameterMm: measuredMm,
      furtherCm,
      ...(finding && { marked: findingId }),
    });
    if (finding) saving.mutate({ id: findingId, baseRevision: null, finding });
  };
  return (
    <Screen
      title="Read the wood"
      subtitle={`${here.run.stops.find((stop) => stop.view.tree.id === cut.treeId)?.view.tree.code ?? detail?.tree.code ?? ''} · ${cut.cut.limbName}`}
      width="full"
      actions={
        <>
          <Button minHeight={68} onPress={() => record('not read')} disabled={recording.isPending}>
            Not read
          </Button>
          <Button
            grow
            kind="main"
            minHeight={68}
            disabled={pith === null || faulty || recording.isPending}
            onPress={() => pith && record(pith)}
          >
            {ill ? 'Mark it, cut back' : 'Wood is read'}
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
        <StaysBehind cut={cut} disorder={disorder} pith={pith} here={here} />
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

/** The chance that disease stays, as planned and by what is seen now. */
function StaysBehind({
  cut,
  disorder,
  pith,
  here,
}: {
  cut: ActionOf<'cutMade'>;
  disorder: string;
  pith: Pith | null;
  here: RunHere;
}) {
  const chanceAt = (distanceCm: number) =>
    residual({
      disorder,
      season: here.today.season,
      edge: 'definite',
      vigorous: isGrowing(here.today.season),
      distanceCm: Math.max(0, distanceCm),
      unionCrossed: false,
      inStub: cut.cut.kind === 'stub',
    }).chance;
  const planned = cut.cut.clearanceCm - cut.cut.shortfallCm;
  if (chanceAt(0) === 0) return null;
  const before = chanceWords(chanceAt(planned));
  if (pith === 'brown' || pith === 'stained') {
    return (
      <Body>
        {`The face shows it: disease is still there; as planned that was ${before}. The next cut is placed the full clearance from the new edge.`}
      </Body>
    );
  }
  return <Body>{`That disease stays behind: ${before}. Clean wood to the eye is no proof.`}</Body>;
}

function CarryAway({ cut, here }: { cut: ActionOf<'cutMade'>; here: RunHere }) {
  const { site, units } = here.today;
  const debris = debrisOf(cut.disorders ?? [], cut.cut.diameterMm, site.debris);
  return (
    <View gap={4}>
      <Section>Carry away</Section>
      <Body>
        {`${upperFirst(debris.class)} wood${cut.cut.massKg ? `, about ${joined(massReading(cut.cut.massKg, units))}` : ''}: ${DEBRIS_WORDS[debris.route]}. ${disorderWords((cut.disorders ?? []).map((disorder) => ({ disorder })))}.`}
      </Body>
      {debris.because.map((line) => (
        <Small key={line}>{line}</Small>
      ))}
    </View>
  );
}

const MOST_THROWS = 50;

function StandBackCard({ here, card }: { here: RunHere; card: AfterCard }) {
  const { cut, cutId } = card;
  const clock = useClock();
  const recording = useRecordAction();
  const detail = useTree(cut.treeId).data;
  const lastPhoto = detail?.actions.findLast(
    ({ action, undone }) => !undone && action.kind === 'stoodBack' && action.photoId !== null,
  )?.action;
  const [photoId, setPhotoId] = useState<string | null>(null);
  const [throws, setThrows] = useState(10);
  const [passed, setPassed] = useState<number | null>(null);
  const [note, setNote] = useState('');
  const seen = () => {
    const at = clock();
    const { treeId } = cut;
    if (passed !== null) recording.record({ kind: 'hatThrown', at, treeId, throws, passed });
    recording.record({ kind: 'stoodBack', at, treeId, cutId, photoId, note: note.trim() });
  };
  return (
    <Screen
      title="Step back"
      subtitle={`${detail?.tree.code ?? ''} · after ${cut.cut.limbName}`}
      width="full"
      actions={
        <Button
          grow
          kind="main"
          minHeight={68}
          onPress={seen}
          disabled={recording.isPending || (passed ?? 0) > throws}
        >
          Seen from the ground
        </Button>
      }
    >
      <Columns beside={<RunMap run={here.run} />}>
        <Failed title="Not recorded yet" error={recording.error} />
        <Body fontSize="$18" lineHeight="$18">
          A big limb is gone and the picture has changed. Walk round it before the next cut; photograph it
          from where you stood last time.
        </Body>
        {lastPhoto?.kind === 'stoodBack' && lastPhoto.photoId ? (
          <PhotoImage id={lastPhoto.photoId} alt="From last time" />
        ) : null}
        <TakePhoto label="Photo from the same spot" photoId={photoId} onTaken={setPhotoId} />
        <Section>Throw a hat through it</Section>
        <View flexDirection="row" gap={12}>
          <NumberField
            grow
            label="Thrown"
            unit=""
            value={throws}
            least={1}
            most={MOST_THROWS}
            onChange={setThrows}
          />
          <NumberField
            grow
            label="Came through"
            unit=""
            value={passed ?? 0}
            least={0}
            most={throws}
            onChange={setPassed}
          />
        </View>
        {detail ? <Expected detail={detail} here={here} throws={throws} passed={passed} /> : null}
        <Small>Left untouched, no throw goes on record.</Small>
        <Field label="What you saw" value={note} onChangeText={(text) => setNote(text.slice(0, 300))} />
        <CarryAway cut={cut} here={here} />
        {isHeavy(cut) ? (
          <Notice kind="caution">
            Lift with two, or cut it shorter: one person lifts 15 kg, never above 23 kg.
          </Notice>
        ) : null}
        <UndoLast run={here.run} />
      </Columns>
    </Screen>
  );
}

/** The gap test of the tree as it stands now, beside the real throw. */
function Expected({
  detail,
  here,
  throws,
  passed,
}: {
  detail: TreeDetail;
  here: RunHere;
  throws: number;
  passed: number | null;
}) {
  const limbs = useMemo(() => treeView(detail, here.today).limbs, [detail, here.today]);
  const { data } = useOpenness(detail.tree.id, limbs);
  if (!data) return <Small role="status">Throwing hats through the map …</Small>;
  const [low, high] = data.gap.interval;
  const words = `Through the map as it stands ${percent(data.gap.share)} come through.`;
  if (passed === null) return <Body>{words}</Body>;
  const share = passed / throws;
  const spread = 1.96 * Math.sqrt((data.gap.share * (1 - data.gap.share)) / throws);
  const agrees = share >= low - spread && share <= high + spread;
  return (
    <Body>
      {`${words} You: ${percent(share)}${agrees ? ', as the map says within what so few throws can tell.' : share < data.gap.share ? ': the tree is denser than its map; wood is missing on it.' : ': the tree is more open than its map.'}`}
    </Body>
  );
}

function isHeavy({ cut }: ActionOf<'cutMade'>): boolean {
  return (cut.massKg ?? 0) > 15;
}
