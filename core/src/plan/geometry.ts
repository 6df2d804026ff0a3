// Where do two limbs come nearest?
import { nearest } from '../faults/index';
import { type Limb, limbShape } from '../tree/index';

/** cm along each of the two where they are nearest; undefined for a limb that is not on the map. */
export function nearestOf(limbs: Limb[], a: string, b: string): [number | undefined, number | undefined] {
  const shape = limbShape(limbs);
  const [one, other] = [shape.get(a), shape.get(b)];
  const lengthOf = (id: string) => limbs.find((limb) => limb.id === id)?.lengthCm ?? 0;
  if (!one || !other) return [undefined, undefined];
  const { s, t } = nearest(one, other);
  return [s * lengthOf(a), t * lengthOf(b)];
}
