// The cut sheet: what a caretaker carries to the tree on paper. High contrast, no colour needed.

import { createRequire } from 'node:module';
import { disorderOf } from '@mortisect/core/disorders';
import { GENERAL_CAUTION } from '@mortisect/core/handling';
import {
  clockHour,
  heightReading,
  massReading,
  type Side,
  sideDeg,
  thicknessReading,
  type Units,
  upperFirst,
} from '@mortisect/core/measure';
import {
  type ArboristCut,
  arboristPart,
  firstWinterOf,
  type PlannedStep,
  type Priced,
  type SeasonOfPlan,
  standOf,
  type TreePlan,
  wholeMinutes,
} from '@mortisect/core/plan';
import type { Site } from '@mortisect/core/records';
import { speciesName } from '@mortisect/core/register';
import { lowerFirst } from '@mortisect/core/tree';
import type { PlainKey, Say } from '@mortisect/words';
import {
  arboristWords,
  cautionWords,
  countedWords,
  dayIn,
  faceWords,
  goalWords,
  insteadWords,
  joined,
  leftWords,
  lightWords,
  limbIn,
  minutesWords,
  passWords,
  reasonWords,
  sidesWords,
  stepSentence,
  stillTallWords,
  tapeText,
  told,
  verdictWords,
} from '@mortisect/words/trade';
import PDFDocument from 'pdfkit';
import { solvedOf, type TreeToPlan } from '../../pool/plan';
import { crownFromAbove, ledgerBar, limbTape, qrOf, treeFromStand } from './drawings';
import { inOrder } from './order';

export type SheetPaper = 'A4' | 'LETTER';

export interface TreeSheet extends TreeToPlan {
  code: string;
  species: string;
  cultivar: string | null;
  form: string;
  place: string;
  site: string;
  day: string;
  units: Units;
  twelveBearingDeg: number;
  face: Pick<Site['schools'], 'slope' | 'dressing'>;
  names: [string, string][];
}

const fromHere = createRequire(import.meta.url);
const font = (file: string) => fromHere.resolve(`@expo-google-fonts/${file}.ttf`);
const FONTS = {
  text: font('atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular'),
  bold: font('atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold'),
  head: font('barlow-condensed/600SemiBold/BarlowCondensed_600SemiBold'),
} as const;

const MARGIN = 40;
const PLAN_MS = 700;

type Doc = InstanceType<typeof PDFDocument>;

/** The sheets of these trees, each from a page of its own, behind that of the week where there is one. */
export function cutSheetPdf(
  say: Say,
  sheets: TreeSheet[],
  paper: SheetPaper,
  week: WeekSheet | null = null,
): Promise<Uint8Array<ArrayBuffer>> {
  const doc = new PDFDocument({ size: paper, margin: MARGIN, bufferPages: true, autoFirstPage: false });
  const parts: Uint8Array[] = [];
  const done = new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) => {
    doc.on('data', (part: Uint8Array) => parts.push(part));
    doc.on('end', () => resolve(Buffer.concat(parts)));
    doc.on('error', reject);
  });
  for (const [name, file] of Object.entries(FONTS)) doc.registerFont(name, file);
  if (week) weekPages(say, doc, week);
  for (const sheet of sheets) treePages(say, doc, sheet);
  if (sheets.length === 0 && !week) nothingPlanned(say, doc);
  numbered(say, doc);
  doc.end();
  return done;
}

/** A week of a crew: its half-days, and what is done in each. */
export interface WeekSheet {
  crew: string;
  site: string;
  from: string;
  to: string;
  places: {
    from: string;
    to: string;
    half: 'morning' | 'afternoon' | null;
    needed: number;
    workable: number;
    visits: {
      code: string;
      /** Empty for the pass at hand. */
      what: string;
      plot: string;
      minutes: number;
      must: boolean;
      ladder: boolean;
      late: boolean;
    }[];
  }[];
}

const HALVES = { morning: 'files.seasonMorning', afternoon: 'files.seasonAfternoon' } as const;

function weekPages(say: Say, doc: Doc, { crew, site, from, to, places }: WeekSheet): void {
  doc.addPage();
  doc
    .font('head')
    .fontSize(30)
    .text(crew, MARGIN, MARGIN - 4, { width: widthOf(doc) });
  const days = { from: dayIn(say, from), to: dayIn(say, to) };
  paragraph(doc, `${site} · ${say('files.weekFromTo', days)}`);
  doc.moveDown(0.6);
  if (places.length === 0) paragraph(doc, say('files.weekWithoutWork'));
  for (const { visits, needed, workable, half, ...place } of places) {
    const day = dayIn(say, place.from);
    const when =
      place.from === place.to
        ? [day, ...(half ? [say(HALVES[half])] : [])].join(', ')
        : say('files.weekFromTo', { from: day, to: dayIn(say, place.to) });
    section(doc, when);
    paragraph(
      doc,
      say('files.minutesOfWeek', { needed: Math.round(needed), workable: Math.round(workable) }),
    );
    doc.moveDown(0.3);
    for (const { code, what, plot, minutes, must, ladder, late } of visits) {
      roomFor(doc, 20);
      const y = doc.y;
      // To be ticked off with a pencil
      doc.rect(MARGIN, y, 11, 11).lineWidth(1).stroke('#10201A');
      const marks = [
        ...(what ? [what] : []),
        plot,
        say('shared.min', { minutes: Math.round(minutes) }),
        ...(ladder ? [say('files.onALadder')] : []),
        ...(must ? [say('files.seasonColumnCannotWait')] : []),
        ...(late ? [say('files.lateInTheSeason')] : []),
      ];
      doc
        .font('bold')
        .fontSize(11)
        .text(code, MARGIN + 20, y, { continued: true, width: widthOf(doc) - 20 })
        .font('text')
        .text(` · ${marks.join(' · ')}`);
      doc.moveDown(0.35);
    }
    doc.moveDown(0.4);
  }
  doc
    .font('text')
    .fontSize(8.5)
    .text(told(say, GENERAL_CAUTION), MARGIN, doc.y, { width: widthOf(doc) });
}

function nothingPlanned(say: Say, doc: Doc): void {
  doc.addPage();
  doc.font('head').fontSize(22).text(say('files.nothingPlanned'));
  doc.font('text').fontSize(11).text(say('files.nothingPlannedWhy'));
}

function treePages(say: Say, doc: Doc, sheet: TreeSheet): void {
  doc.addPage();
  const { prepared, plan, orders } = solvedOf(sheet, PLAN_MS);
  const names = new Map(sheet.names.map(([id, name]) => [id, limbIn(say, name)]));
  head(say, doc, sheet);
  const byId = new Map(prepared.all.map((priced) => [priced.id, priced]));
  const first = plan.steps[0];
  const now = plan.steps.filter((step) => step.season === first?.season && step.pass === first.pass);
  const visit = inOrder(now, byId, orders);
  drawings(say, doc, sheet, plan, visit);
  cautions(say, doc, visit, plan);
  if (plan.verdict) verdict(say, doc, plan);
  if (plan.clash) paragraph(doc, say('files.pinsClash'));
  if (visit.length > 0 && first) {
    section(
      doc,
      say('files.visitInOrder', {
        visit: passWords(say, first.season, first.pass, firstWinterOf(sheet.input)),
      }),
    );
    visit.forEach((priced, i) => {
      stepBlock(
        say,
        doc,
        sheet,
        names,
        priced,
        i + 1,
        now.find((each) => each.candidateId === priced.id) as PlannedStep,
      );
    });
  }
  later(say, doc, sheet, names, byId, plan, now);
  arborist(say, doc, sheet, names, arboristPart(prepared, plan));
  heightLines(say, doc, sheet, names, plan);
  sideLines(say, doc, sheet, names, plan);
  left(say, doc, sheet, names, plan);
  doc.moveDown(0.6);
  doc
    .font('text')
    .fontSize(8.5)
    .text(told(say, GENERAL_CAUTION), { width: widthOf(doc) });
}

function widthOf(doc: Doc): number {
  return doc.page.width - 2 * MARGIN;
}

function head(say: Say, doc: Doc, sheet: TreeSheet): void {
  const top = MARGIN;
  qrOf(doc, sheet.code, doc.page.width - MARGIN - 62, top, 62);
  doc
    .font('head')
    .fontSize(30)
    .text(sheet.code, MARGIN, top - 4, { width: widthOf(doc) - 80 });
  doc
    .font('text')
    .fontSize(11)
    .text(
      [
        told(say, speciesName(sheet.species)),
        sheet.cultivar ?? say('shared.varietyUnknown'),
        told(say, sheet.form),
      ].join(' · '),
      { width: widthOf(doc) - 80 },
    )
    .text(`${sheet.site} · ${sheet.place}`, { width: widthOf(doc) - 80 })
    .text(say('files.sheetOf', { day: dayIn(say, sheet.day) }), { width: widthOf(doc) - 80 });
  doc.y = Math.max(doc.y, top + 68);
  const y = doc.y;
  doc
    .moveTo(MARGIN, y)
    .lineTo(doc.page.width - MARGIN, y)
    .lineWidth(1.5)
    .stroke('#10201A');
  for (let x = MARGIN; x <= doc.page.width - MARGIN; x += 12)
    doc
      .moveTo(x, y)
      .lineTo(x, y + 4)
      .lineWidth(0.8)
      .stroke();
  doc.y = y + 12;
}

const SEEN_PT = 150;

/** The side of the tree that most of its cuts are made from; at 6 o’clock where there are none. */
function mostlyFrom(visit: Priced[], { input, twelveBearingDeg }: TreeSheet): number {
  const count = new Map<Side, number>();
  for (const priced of visit) {
    if (!priced.kerf) continue;
    const { side } = standOf(priced, input.tree);
    count.set(side, (count.get(side) ?? 0) + 1);
  }
  const [most] = [...count].toSorted((a, b) => b[1] - a[1]);
  return most ? sideDeg(most[0]) : twelveBearingDeg + 180;
}

function drawings(say: Say, doc: Doc, sheet: TreeSheet, plan: TreePlan, visit: Priced[]): void {
  const top = doc.y;
  const side = 180;
  const above = {
    limbs: sheet.input.tree.limbs,
    twelveBearingDeg: sheet.twelveBearingDeg,
    findings: sheet.input.findings,
    kerfs: visit.map((priced, i) => ({ kerf: priced.kerf, number: i + 1 })),
  };
  crownFromAbove(doc, MARGIN, top, side, above);
  const fromDeg = mostlyFrom(visit, sheet);
  const seenX = MARGIN + side + 12;
  treeFromStand(doc, seenX, top, { width: SEEN_PT, height: side - 14 }, { ...above, fromDeg });
  doc
    .font('text')
    .fontSize(9)
    .text(
      say('files.seenFrom', { hour: clockHour(fromDeg, sheet.twelveBearingDeg) }),
      seenX,
      top + side - 10,
      { width: SEEN_PT, align: 'center' },
    );
  const x = seenX + SEEN_PT + 16;
  const width = widthOf(doc) + MARGIN - x;
  doc.font('head').fontSize(14).text(say('files.crownLedger'), x, top);
  let y = doc.y + 2;
  for (const season of plan.seasons) {
    doc
      .font('text')
      .fontSize(9.5)
      .text(joinedLines(seasonWords(say, season, sheet.units), countedWords(say, season)), x, y, { width });
    y = ledgerBar(doc, x, doc.y + 2, width, season) + 6;
  }
  if (plan.seasons.every((season) => season.crown + season.exempt === 0)) {
    doc.font('text').fontSize(9.5).text(say('files.noLivingCrown'), x, y, { width });
  }
  doc.x = MARGIN;
  doc.y = Math.max(top + side + 10, doc.y + 8);
}

function seasonWords(
  say: Say,
  { season, crown, limit, exempt, minutes, massKg, quotas }: SeasonOfPlan,
  units: Units,
) {
  const quota = (what: (typeof quotas)[number]['what']) => quotas.find((each) => each.what === what);
  const [shoots, older] = [quota('shoots'), quota('older wood')];
  const given = {
    season,
    share:
      shoots && older
        ? say('files.peachShare', {
            crown: percent(crown),
            shoots: percent(shoots.used),
            shootsLimit: percent(shoots.limit),
            older: percent(older.used),
            olderLimit: percent(older.limit),
          })
        : say('files.ofALimit', { crown: percent(crown), limit: percent(limit) }),
    minutes: wholeMinutes(minutes),
    mass: joined(say, massReading(massKg, units)),
  };
  return exempt > 0
    ? say('files.seasonDisease', { ...given, exempt: percent(exempt) })
    : say('files.season', given);
}

const joinedLines = (...lines: (string | null)[]) => lines.filter((line) => line !== null).join('\n');

function percent(thousandths: number): string {
  return `${Math.round(thousandths / 10)} %`;
}

function cautions(say: Say, doc: Doc, visit: Priced[], plan: TreePlan): void {
  const texts = new Set(
    visit.flatMap((priced) => priced.handling?.cautions.map((each) => cautionWords(say, each)) ?? []),
  );
  if (plan.handOver.length > 0) texts.add(say('files.someForArborist'));
  const notify = new Set(
    visit.flatMap((priced) =>
      priced.candidate.what.is === 'cut'
        ? priced.candidate.what.cut.because.flatMap((reason) => disorderOf(reason.disorder)?.notifiable ?? [])
        : [],
    ),
  );
  for (const text of [...texts, ...[...notify].map((each) => told(say, each))]) {
    doc
      .font('bold')
      .fontSize(9.5)
      .text(`!  ${text}`, MARGIN, doc.y, { width: widthOf(doc) });
  }
  if (texts.size + notify.size > 0) doc.moveDown(0.4);
}

const VERDICTS: Record<NonNullable<TreePlan['verdict']>['choice'], PlainKey> = {
  'remove tree': 'files.removeTree',
  'bridge graft': 'files.bridgeGraft',
  'restart or remove': 'files.restartOrRemove',
};

function verdict(say: Say, doc: Doc, { verdict: said }: TreePlan): void {
  if (!said) return;
  section(doc, say(VERDICTS[said.choice]));
  paragraph(doc, verdictWords(say, said.because));
  for (const choice of said.instead)
    paragraph(doc, say('files.or', { choice: insteadWords(say, said, choice) }));
}

function section(doc: Doc, title: string): void {
  roomFor(doc, 60);
  doc
    .font('head')
    .fontSize(16)
    .text(title, MARGIN, doc.y, { width: widthOf(doc) });
  doc.moveDown(0.15);
}

function paragraph(doc: Doc, text: string): void {
  doc
    .font('text')
    .fontSize(10.5)
    .text(text, MARGIN, doc.y, { width: widthOf(doc) });
}

function roomFor(doc: Doc, height: number): void {
  if (doc.y + height > doc.page.height - MARGIN) doc.addPage();
}

const STEP_HEIGHT = 118;

function stepBlock(
  say: Say,
  doc: Doc,
  sheet: TreeSheet,
  names: Map<string, string>,
  priced: Priced,
  number: number,
  step: PlannedStep,
): void {
  roomFor(doc, STEP_HEIGHT);
  const top = doc.y;
  const { units, input } = sheet;
  const telling = { limbs: input.tree.limbs, names, units, twelveBearingDeg: sheet.twelveBearingDeg };
  doc
    .rect(MARGIN, top + 2, 13, 13)
    .lineWidth(1.2)
    .stroke('#10201A');
  doc
    .font('head')
    .fontSize(15)
    .text(`${number}  ${names.get(limbOf(priced)) ?? limbOf(priced)}`, MARGIN + 20, top, {
      width: widthOf(doc) - 20,
    });
  doc
    .font('text')
    .fontSize(10.5)
    .text(stepSentence(say, priced, telling), { width: widthOf(doc) - 20 });
  const facts = [handlingWords(say, priced, step, units), faceOf(say, sheet, priced)]
    .filter(Boolean)
    .join(' ');
  doc
    .fontSize(9.5)
    .text(
      `${reasonWords(say, step, new Map(input.findings.map((finding) => [finding.id, finding.disorder])))}. ${facts}`,
      {
        width: widthOf(doc) - 20,
      },
    );
  const chance = Math.max(0, ...step.solves.map((solved) => solved.chance));
  if (chance > 0.005) {
    doc.text(say('files.staysBehind', { hundredths: Math.max(1, Math.round(chance * 100)) }), {
      width: widthOf(doc) - 20,
    });
  } else if (priced.infected) doc.text(say('files.cleanAfter'), { width: widthOf(doc) - 20 });
  if (priced.candidate.what.is === 'cut') {
    limbTape(say, doc, MARGIN + 20, doc.y + 4, widthOf(doc) - 20, {
      limbs: input.tree.limbs,
      cut: priced.candidate.what.cut,
      findings: input.findings,
      units,
      square: sheet.face.slope === 'square',
    });
  }
  doc.x = MARGIN;
  doc.moveDown(0.5);
}

function faceOf(say: Say, { face }: TreeSheet, { candidate, handling, infected }: Priced): string {
  if (candidate.what.is !== 'cut' || !handling) return '';
  return faceWords(say, { cut: candidate.what.cut, dead: handling.dead, infected }, face);
}

function limbOf({ candidate }: Priced): string {
  return candidate.what.is === 'cut' ? candidate.what.cut.limbId : candidate.what.limbId;
}

function handlingWords(
  say: Say,
  { handling, minutes }: Priced,
  { grain }: Pick<PlannedStep, 'grain'>,
  units: Units,
): string {
  const time = minutesWords(say, minutes.minutes, grain.minutes);
  if (!handling) return `${time}.`;
  const { strokes, pieces, wielded, kerfMm, massKg, fall } = handling;
  const out = (cm: number) => tapeText(say, cm - strokes.finalCm, units);
  return [
    say('files.atTheKerf', { thickness: joined(say, thicknessReading(kerfMm, units)) }),
    joined(say, massReading(massKg, units)),
    say('files.pieces', { pieces: Math.max(1, pieces.length) }),
    wielded
      ? say('files.toolFrom', {
          tool: lowerFirst(told(say, wielded.tool.name)),
          station: wielded.station,
        })
      : say('files.noTool'),
    ...(strokes.undercutCm === null || strokes.topCutCm === null
      ? []
      : [say('files.strokes', { undercut: out(strokes.undercutCm), topCut: out(strokes.topCutCm) })]),
    ...(massKg > NOBODY_UNDER_KG
      ? [say('files.nobodyWithin', { zone: tapeText(say, fall.clearZoneCm, units) })]
      : []),
    time,
  ]
    .join('; ')
    .concat('.');
}

/** What is heavier says how far people stand off. Common practice, no source. */
const NOBODY_UNDER_KG = 3;

function later(
  say: Say,
  doc: Doc,
  sheet: TreeSheet,
  names: Map<string, string>,
  byId: Map<string, Priced>,
  plan: TreePlan,
  now: PlannedStep[],
): void {
  const rest = plan.steps.filter((step) => !now.includes(step));
  if (rest.length === 0) return;
  section(doc, say('files.later'));
  const telling = {
    limbs: sheet.input.tree.limbs,
    names,
    units: sheet.units,
    twelveBearingDeg: sheet.twelveBearingDeg,
  };
  for (const step of rest) {
    const priced = byId.get(step.candidateId);
    if (!priced) continue;
    roomFor(doc, 28);
    doc
      .font('bold')
      .fontSize(10)
      .text(
        `${passWords(say, step.season, step.pass, firstWinterOf(sheet.input))} · ${names.get(limbOf(priced)) ?? limbOf(priced)}: `,
        MARGIN,
        doc.y,
        { continued: true, width: widthOf(doc) },
      );
    doc.font('text').text(stepSentence(say, priced, telling));
  }
}

/** How the crown hangs round its stem before and after the plan, and light that no cut brings back. */
function sideLines(
  say: Say,
  doc: Doc,
  sheet: TreeSheet,
  names: Map<string, string>,
  { sides, light }: TreePlan,
): void {
  const { units, twelveBearingDeg } = sheet;
  const telling = { limbs: sheet.input.tree.limbs, names, units, twelveBearingDeg };
  linesUnder(say('files.sides'), doc, sides ? sidesWords(say, sides, telling) : []);
  linesUnder(say('files.lightInside'), doc, light ? lightWords(say, light) : []);
}

function linesUnder(title: string, doc: Doc, lines: readonly string[]): void {
  if (lines.length === 0) return;
  section(doc, title);
  for (const line of lines) {
    roomFor(doc, 28);
    paragraph(doc, line);
  }
}

/** How tall the tree is after each season, and why what still stands too high does. */
function heightLines(
  say: Say,
  doc: Doc,
  sheet: TreeSheet,
  names: Map<string, string>,
  { height }: TreePlan,
): void {
  if (!height) return;
  const words = (cm: number) => joined(say, heightReading(cm, sheet.units));
  const { limbs } = sheet.input.tree;
  const telling = { limbs, names, units: sheet.units, twelveBearingDeg: sheet.twelveBearingDeg };
  const lines = [
    say('files.heightGoes', { now: words(height.nowCm), target: words(height.targetCm) }),
    ...height.afterCm.map((cm, y) => say('files.heightAfter', { season: y + 1, after: words(cm) })),
    ...height.limbs.map((limb) => stillTallWords(say, limb, telling)),
  ];
  linesUnder(say('files.height'), doc, lines.filter(Boolean));
}

/** A list of its own, which can be handed to whoever does it. */
function arborist(
  say: Say,
  doc: Doc,
  sheet: TreeSheet,
  names: Map<string, string>,
  part: readonly ArboristCut[],
): void {
  if (part.length === 0) return;
  section(doc, say('files.forALicensedArborist'));
  for (const cut of part) {
    roomFor(doc, 42);
    const { limbId = '' } = cut.priced.kerf ?? {};
    const disorders = sheet.input.findings
      .filter(({ id }) => cut.findingIds.includes(id))
      .map(({ disorder }) => told(say, disorderOf(disorder)?.name ?? disorder));
    doc
      .font('bold')
      .fontSize(10)
      .text(
        `${upperFirst(names.get(limbId) ?? limbId)}: ${[...new Set(disorders), ...goalWords(say, cut.goals)].join(' · ')}`,
        MARGIN,
        doc.y,
        {
          width: widthOf(doc),
        },
      );
    const why = cut.because.map((each) => cautionWords(say, each)).join(' ');
    paragraph(doc, `${arboristWords(say, cut, sheet.units)}. ${why}`);
  }
}

function left(say: Say, doc: Doc, sheet: TreeSheet, names: Map<string, string>, plan: TreePlan): void {
  const others = plan.left.filter(({ why }) => why !== 'hand over');
  if (others.length === 0) return;
  section(doc, say('files.leftAsItIs'));
  for (const { findingId, why } of others) {
    const finding = sheet.input.findings.find((finding) => finding.id === findingId);
    if (!finding) continue;
    roomFor(doc, 28);
    paragraph(
      doc,
      say('files.leftOf', {
        disorder: told(say, disorderOf(finding.disorder)?.name ?? finding.disorder),
        limb: lowerFirst(names.get(finding.limbId) ?? finding.limbId),
        why: leftWords(say, why),
      }),
    );
  }
}

function numbered(say: Say, doc: Doc): void {
  const { start, count } = doc.bufferedPageRange();
  for (let i = 0; i < count; i++) {
    doc.switchToPage(start + i);
    const bottom = doc.page.margins.bottom;
    doc.page.margins.bottom = 0;
    doc
      .font('text')
      .fontSize(8.5)
      .text(say('files.pageOf', { page: i + 1, pages: count }), MARGIN, doc.page.height - MARGIN + 12, {
        width: widthOf(doc),
        align: 'right',
        lineBreak: false,
      });
    doc.page.margins.bottom = bottom;
  }
}
