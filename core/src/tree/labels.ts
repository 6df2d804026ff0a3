// Short labels that a limb keeps for life: stem S, main limbs A B C clockwise from 12, side limbs A1 A2 from the base, on those A1a.
import { turn } from '../measure/index';
import { wholeId } from './bundle';
import type { Limb } from './limbMap';
import { limbShape } from './shape';

/** Without I and O, which are taken for figures, S of the stem and X of what comes from the root. */
const LETTERS = [...'ABCDEFGHJKLMNPQRTUVWYZ'];
const SMALL = [...'abcdefghijklmnopqrstuvwxyz'];
const STEM = 'S';
const SUCKER = 'X';

/**
 * Gives every limb that has none the next free label; a limb that had one on the map before keeps it. A label of wood that is gone is kept on
 * the first stem and never given again.
 *
 * @param twelveBearingDeg bearing of 12 o'clock at this site
 * @param before the map that this one takes the place of
 */
export function withLabels(limbs: Limb[], twelveBearingDeg: number, before: Limb[] = []): Limb[] {
  if (before.length === 0 && limbs.every(({ label }) => label !== undefined)) return limbs;
  // A map of before there were labels has those that it was shown with
  const drawn = before.length > 0 ? withLabels(before, twelveBearingDeg) : [];
  const labelBefore = new Map(drawn.flatMap(({ id, label }) => (label ? [[id, label] as const] : [])));
  const known = new Map<string, string>();
  for (const { id, label } of limbs) {
    const own = label ?? labelBefore.get(id) ?? labelBefore.get(wholeId(id));
    if (own) known.set(id, own);
  }
  const standing = new Set(known.values());
  const gone = [...drawn, ...limbs]
    .flatMap(({ goneLabels = [], label }) => [...goneLabels, ...(label ? [label] : [])])
    .filter((label, i, all) => !standing.has(label) && all.indexOf(label) === i);
  const used = new Set([...standing, ...gone]);
  for (const limb of inOrder(limbs, twelveBearingDeg)) {
    if (known.has(limb.id)) continue;
    const parent = limb.parentId === null ? undefined : limbs.find(({ id }) => id === limb.parentId);
    const label = partLabel(limb, limbs, known) ?? nextFree(series(limb, parent, known), used);
    known.set(limb.id, label);
    used.add(label);
  }
  const first = limbs.find(({ kind }) => kind === 'trunk')?.id;
  return limbs.map((limb) => {
    const { goneLabels: _gone, ...own } = limb;
    return {
      ...own,
      label: known.get(limb.id) as string,
      ...(limb.id === first && gone.length > 0 && { goneLabels: gone }),
    };
  });
}

/** Parts of a bundle are called as it is. */
function partLabel(
  { id }: Limb,
  limbs: readonly Limb[],
  known: ReadonlyMap<string, string>,
): string | undefined {
  const whole = wholeId(id);
  if (whole === id) return undefined;
  const other = limbs.find((limb) => limb.id !== id && wholeId(limb.id) === whole && known.has(limb.id));
  return other && known.get(other.id);
}

/** The labels that a limb may have, the first that is free is its own. */
function* series(
  limb: Limb,
  parent: Limb | undefined,
  known: ReadonlyMap<string, string>,
): Generator<string> {
  if (!parent) {
    const letter = limb.kind === 'trunk' ? STEM : SUCKER;
    if (limb.kind === 'trunk') yield STEM;
    for (let n = limb.kind === 'trunk' ? 2 : 1; ; n++) yield `${letter}${n}`;
  }
  if (parent.kind === 'trunk') {
    yield* LETTERS;
    for (const a of LETTERS) for (const b of LETTERS) yield a + b;
  }
  const on = known.get(parent.id) ?? '';
  if (/\d$/.test(on)) {
    for (const a of SMALL) yield on + a;
    for (const a of SMALL) for (const b of SMALL) yield on + a + b;
  }
  for (let n = 1; ; n++) yield `${on}${n}`;
}

function nextFree(labels: Iterable<string>, used: ReadonlySet<string>): string {
  for (const label of labels) if (!used.has(label)) return label;
  throw new Error('There is no label left.');
}

/** Parents before what they carry; stems as they come, main limbs clockwise from 12 and the lower first, the others by their joints. */
function inOrder(limbs: Limb[], twelveBearingDeg: number): Limb[] {
  const shape = limbShape(limbs);
  const clockwise = ({ bearingDeg }: Limb) => turn(bearingDeg - twelveBearingDeg);
  const height = ({ id }: Limb) => shape.get(id)?.base.z ?? 0;
  const isOnStem = ({ parentId }: Limb) => limbs.find(({ id }) => id === parentId)?.kind === 'trunk';
  const sorted = (list: Limb[]) =>
    list.every(isOnStem)
      ? list.toSorted((a, b) => clockwise(a) - clockwise(b) || height(a) - height(b))
      : list.toSorted((a, b) => a.jointCm - b.jointCm);
  const roots = limbs.filter(({ parentId }) => parentId === null);
  const stems = roots.filter(({ kind }) => kind === 'trunk');
  const childrenOf = new Map<string, Limb[]>();
  for (const limb of limbs)
    if (limb.parentId !== null)
      childrenOf.set(limb.parentId, [...(childrenOf.get(limb.parentId) ?? []), limb]);
  const below = (limb: Limb): Limb[] => [limb, ...sorted(childrenOf.get(limb.id) ?? []).flatMap(below)];
  // Letters run on over all stems
  const main = sorted(stems.flatMap(({ id }) => childrenOf.get(id) ?? []));
  return [...stems, ...main.flatMap(below), ...roots.filter(({ kind }) => kind !== 'trunk').flatMap(below)];
}
