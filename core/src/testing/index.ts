// How often is a property tried?

/** All of them in `npm run long`, a slice in every other check. */
export function manyRuns(all: number, slice: number): number {
  const { process } = globalThis as { process?: { env: Record<string, string | undefined> } };
  return process?.env.LONG ? all : slice;
}
export {
  detail,
  did,
  finding,
  limb,
  limbs,
  listedPlansOf,
  listedTreesOf,
  plansOf,
  site,
  today,
} from './orchard';
