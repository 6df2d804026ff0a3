// What share of the crown goes, reckoned with a calliper alone?

/** There is nothing to compare the cuts with. */
class NoScaffolds extends Error {
  constructor() {
    super('No main limb to compare the cuts with.');
    this.name = 'NoScaffolds';
  }
}

/**
 * Share of the living crown that goes when the given cuts are made, by the pipe model: foliage is carried by conducting area, so a
 * limb's share is its cut area over the area at the scaffold bases. What a practitioner checks the ledger with.
 *
 * @param cutsMm diameters at the cuts on living wood, over bark, mm; only the cut nearest the trunk on each path
 * @param scaffoldsMm diameters at the scaffold bases, mm
 * @param inUse share of the old pipes that still conduct: 1 young, about 0.8 on an old tree (from memory, unsure)
 * @returns share in 0..1
 * @throws {NoScaffolds} when there is nothing to compare with
 * @source Shinozaki et al. 1964, Jpn J. Ecol. 14:97
 * @example crownShare([30, 25, 20, 12], [90, 80, 70]) //=> 0.107
 */
export function crownShare(cutsMm: readonly number[], scaffoldsMm: readonly number[], inUse = 1): number {
  const squares = (all: readonly number[]) => all.reduce((sum, mm) => sum + mm * mm, 0);
  const whole = squares(scaffoldsMm);
  if (whole === 0) throw new NoScaffolds();
  return squares(cutsMm) / whole / inUse;
}

/**
 * Diameter of the limb that carries these branches, when what leaves a fork equals what enters it.
 *
 * @param exponent 2 after da Vinci; 1.8–2.3 was measured
 * @source Eloy 2011, Phys. Rev. Lett. 107:258101, from memory
 * @example parentMm([30, 40]) //=> 50
 */
export function parentMm(branchesMm: readonly number[], exponent = 2): number {
  return branchesMm.reduce((sum, mm) => sum + mm ** exponent, 0) ** (1 / exponent);
}
