// The drawings of the cut sheet: ink on paper, marks that need no colour.
import type { Cut } from '@mortisect/core/cuts';
import { kindOf } from '@mortisect/core/disorders';
import type { Units } from '@mortisect/core/measure';
import type { PlanFinding, SeasonOfPlan } from '@mortisect/core/plan';
import { type Box, outlineOf, placeLabels, standAt, treeSeen } from '@mortisect/core/sight';
import {
  diameterMmAt,
  type Kerf,
  type Limb,
  onSpoke,
  reachCm,
  type Spoke,
  spokes,
  withLabels,
} from '@mortisect/core/tree';
import type { Say } from '@mortisect/words';
import { tapeText } from '@mortisect/words/trade';
import type PDFDocument from 'pdfkit';
import encodeQR from 'qr';

type Doc = InstanceType<typeof PDFDocument>;
const INK = '#10201A';
const GREY = '#6E7573';
const KERF = '#B42D14';

/** The tag code of the tree, to be found again with a camera. */
export function qrOf(doc: Doc, text: string, x: number, y: number, side: number): void {
  const cells = encodeQR(text, 'raw', { ecc: 'medium', border: 1 });
  const cell = side / cells.length;
  cells.forEach((row, j) => {
    row.forEach((on, i) => {
      if (on) doc.rect(x + i * cell, y + j * cell, cell + 0.05, cell + 0.05);
    });
  });
  doc.fill(INK);
}

interface Above {
  limbs: Limb[];
  twelveBearingDeg: number;
  findings: readonly PlanFinding[];
  kerfs: { kerf: Kerf | null; number: number }[];
}

/** The crown clock: limbs as spokes, findings as bands, numbered kerfs. */
export function crownFromAbove(doc: Doc, x: number, y: number, side: number, above: Above): void {
  const plan = spokes(above.limbs, above.twelveBearingDeg);
  const [cx, cy] = [x + side / 2, y + side / 2];
  const face = side / 2 - 16;
  const pt = face / reachCm(plan);
  doc
    .circle(cx, cy, face + 4)
    .lineWidth(0.8)
    .stroke(GREY);
  for (const hour of [12, 3, 6, 9]) {
    const angle = (hour * Math.PI) / 6;
    doc.font('head').fontSize(9).fillColor(INK);
    doc.text(String(hour), cx + Math.sin(angle) * (face + 10) - 6, cy - Math.cos(angle) * (face + 10) - 5, {
      width: 12,
      align: 'center',
      lineBreak: false,
    });
  }
  const at = (spoke: Spoke, s: number) => {
    const point = onSpoke(spoke, s);
    return { x: cx + point.x * pt, y: cy + point.y * pt };
  };
  for (const spoke of plan) {
    for (const { base, tip } of spoke.drawn)
      doc.moveTo(cx + base.x * pt, cy + base.y * pt).lineTo(cx + tip.x * pt, cy + tip.y * pt);
    doc
      .lineWidth(Math.max(0.8, Math.min(5, spoke.limb.baseMm / 16)))
      .lineCap('round')
      .stroke(GREY);
  }
  const byId = new Map(plan.map((spoke) => [spoke.limb.id, spoke]));
  for (const finding of above.findings) {
    const spoke = byId.get(finding.limbId);
    if (!spoke) continue;
    const [from, to] = [at(spoke, finding.fromCm), at(spoke, finding.toCm)];
    // As thick as the limb
    const width = Math.max(1.6, Math.min(5, spoke.limb.baseMm / 16));
    doc.moveTo(from.x, from.y).lineTo(to.x, to.y).lineWidth(width).lineCap('butt');
    if (kindOf(finding.disorder) === 'diseased') doc.dash(1.6, { space: 1.6 });
    doc.stroke(INK).undash();
  }
  doc.circle(cx, cy, 4).fill(INK);
  const tipOf = ({ id, lengthCm }: Limb) => {
    const spoke = byId.get(id);
    return spoke ? at(spoke, lengthCm) : null;
  };
  const cutAt = above.kerfs.flatMap(({ kerf, number }): CutAt[] => {
    if (!kerf) return [];
    const spoke = byId.get(kerf.limbId);
    const point = spoke ? at(spoke, kerf.atCm) : { x: cx, y: cy };
    return [{ ...point, half: CLOCK_KERF_PT, number }];
  });
  const drawn = plan.map(({ limb }) => limb);
  namesAndNumbers(doc, drawn, above, tipOf, cutAt, { x, y, width: side, height: side });
}

/** Half of a kerf’s mark on the crown clock. */
const CLOCK_KERF_PT = 7;
const LABEL_PT = 8;
const NUMBER_PT = 10;

/** Where a numbered cut stands on a drawing, and half of its mark. */
interface CutAt {
  x: number;
  y: number;
  half: number;
  number: number;
}

/** Marks and numbers of the cuts; main limbs and those that are cut, each beside its tip. No words lie over others or over a mark. */
function namesAndNumbers(
  doc: Doc,
  drawn: readonly Limb[],
  { limbs, twelveBearingDeg, kerfs }: Above,
  tipOf: (limb: Limb) => { x: number; y: number } | null,
  cutAt: readonly CutAt[],
  within: Box,
): void {
  for (const { x, y, half } of cutAt) kerfMark(doc, x, y, half);
  const marks = cutAt.map(({ x, y, half }) => ({
    x: x - half / 2,
    y: y - half,
    width: half,
    height: 2 * half,
  }));
  const cut = new Set(kerfs.map(({ kerf }) => kerf?.limbId));
  const labels = new Map(withLabels(limbs, twelveBearingDeg).map(({ id, label }) => [id, label]));
  doc.font('head').fillColor(INK);
  const wish = (text: string, rank: number, { x, y }: { x: number; y: number }, size: number) => ({
    ...{ id: `${size} ${text}`, text, rank, x, y, size },
    width: doc.fontSize(size).widthOfString(text),
    height: size,
  });
  const wishes = [
    // Numbers find room before any label
    ...cutAt.map((at) => wish(String(at.number), NUMBER_RANK - at.number, at, NUMBER_PT)),
    ...drawn.flatMap((limb) => {
      const tip = tipOf(limb);
      if (!tip || !(limb.kind === 'scaffold' || cut.has(limb.id))) return [];
      return [wish(labels.get(limb.id) ?? '', (cut.has(limb.id) ? 1e4 : 0) + limb.baseMm, tip, LABEL_PT)];
    }),
  ];
  const sizes = new Map(wishes.map(({ id, size }) => [id, size]));
  for (const { id, text, x, y } of placeLabels(wishes, within, marks)) {
    const size = sizes.get(id) ?? LABEL_PT;
    doc.fontSize(size).text(text, x - doc.widthOfString(text) / 2, y - size / 2, { lineBreak: false });
  }
}
const NUMBER_RANK = 1e6;

interface Seen extends Above {
  /** Where one stands: compass bearing from the stem. */
  fromDeg: number;
}

/** The tree from where one stands: nearer wood over farther, numbered kerfs, labels of main limbs and of those that are cut. */
export function treeFromStand(
  doc: Doc,
  x: number,
  y: number,
  size: { width: number; height: number },
  { fromDeg, ...above }: Seen,
): void {
  const { limbs, kerfs } = above;
  const seen = treeSeen(limbs, standAt(limbs, fromDeg), size);
  for (const { base, tip, radii } of seen.wood)
    doc
      .polygon(...outlineOf(base, tip, radii).map((spot): [number, number] => [x + spot.x, y + spot.y]))
      .lineWidth(0.5)
      .fillAndStroke('#D8DCD9', INK);
  const tipOf = ({ id, lengthCm }: Limb) => {
    const tip = seen.placeOf(id, lengthCm);
    return tip && { x: x + tip.x, y: y + tip.y };
  };
  const cutAt = kerfs.flatMap(({ kerf, number }): CutAt[] => {
    const at = kerf && seen.placeOf(kerf.limbId, kerf.atCm);
    return at ? [{ x: x + at.x, y: y + at.y, half: Math.max(4, at.radius + 2), number }] : [];
  });
  namesAndNumbers(doc, limbs, above, tipOf, cutAt, { x, y, ...size });
}

/** Two strokes, as on every drawing: slanted, or square across the wood. */
function kerfMark(doc: Doc, x: number, y: number, half: number, square = false): void {
  const lean = square ? 0 : 2;
  for (const at of [x - 1.8, x + 1.8]) {
    doc.moveTo(at - lean, y + half).lineTo(at + lean, y - half);
  }
  doc.lineWidth(1.8).lineCap('square').stroke(KERF);
}

interface Tape {
  limbs: Limb[];
  cut: Cut;
  findings: readonly PlanFinding[];
  units: Units;
  /** The face of the cut lies square across. */
  square: boolean;
}

const TAPE_HEIGHT = 40;

/** The limb of the cut as a tape from its collar: findings, the measure, the kerf with its figure. @returns nothing; leaves the pen below it */
export function limbTape(
  say: Say,
  doc: Doc,
  x: number,
  y: number,
  width: number,
  { limbs, cut, findings, units, square }: Tape,
): void {
  const limb = limbs.find((limb) => limb.id === cut.limbId);
  if (!limb) return;
  const pt = (width - 30) / limb.lengthCm;
  const middle = y + 12;
  const at = (s: number) => x + 8 + s * pt;
  const half = (s: number) => Math.max(1.2, Math.min(8, diameterMmAt(limb, s) / 8));
  doc
    .moveTo(at(0), middle - half(0))
    .lineTo(at(limb.lengthCm), middle - half(limb.lengthCm))
    .lineTo(at(limb.lengthCm), middle + half(limb.lengthCm))
    .lineTo(at(0), middle + half(0))
    .closePath()
    .lineWidth(0.9)
    .stroke(INK);
  doc
    .moveTo(at(0), middle - 11)
    .lineTo(at(0), middle + 11)
    .lineWidth(2.4)
    .stroke(INK);
  for (const finding of findings.filter((finding) => finding.limbId === limb.id)) {
    doc
      .rect(at(finding.fromCm), middle - 5, Math.max(2, (finding.toCm - finding.fromCm) * pt), 10)
      .lineWidth(0.8);
    if (kindOf(finding.disorder) === 'diseased') doc.dash(1.4, { space: 1.4 });
    doc.fillAndStroke('#DDD', INK).undash();
  }
  const kerf = cut.upToCm ?? cut.atCm;
  kerfMark(doc, at(kerf), middle, 11, square);
  doc
    .moveTo(at(0), middle + 16)
    .lineTo(at(kerf), middle + 16)
    .lineWidth(0.9)
    .dash(4, { space: 2 })
    .stroke(INK)
    .undash();
  doc
    .font('head')
    .fontSize(11)
    .fillColor(INK)
    .text(kerfWords(say, cut, units), Math.min(at(kerf) + 4, x + width - 60), middle + 11, {
      lineBreak: false,
    });
  doc.y = y + TAPE_HEIGHT;
}

function kerfWords(say: Say, { atCm, upToCm }: Cut, units: Units): string {
  if ((upToCm ?? atCm) === 0) return say('shared.collar');
  const tape = tapeText(say, upToCm ?? atCm, units, 'down');
  return upToCm === undefined ? tape : say('shared.upTo', { tape });
}

/** The whole crown as a bar: what goes for disease, what else goes, the limit as a notch. @returns the y below it */
export function ledgerBar(doc: Doc, x: number, y: number, width: number, season: SeasonOfPlan): number {
  const height = 10;
  const share = (thousandths: number) => (Math.min(1000, thousandths) / 1000) * width;
  doc.rect(x, y, width, height).lineWidth(1).stroke(INK);
  if (season.crown > 0) doc.rect(x, y, share(season.crown), height).fill(INK);
  if (season.exempt > 0) doc.rect(x + share(season.crown), y, share(season.exempt), height).fill(GREY);
  // The crown of a peach has no limit of its own
  if (season.quotas.length === 0) {
    const notch = x + share(season.limit);
    doc
      .moveTo(notch, y - 3)
      .lineTo(notch, y + height + 3)
      .lineWidth(1.6)
      .stroke(INK);
  }
  doc.fillColor(INK);
  return y + height + 3;
}
