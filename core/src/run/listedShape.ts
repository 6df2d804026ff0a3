// A tree as lists of trees take it: as plain data, read without what plans and judges.
import { z } from 'zod';
import { woodClasses } from '../blades/index';
import { Cut } from '../cuts/index';
import { Caution } from '../handling/index';
import { sides } from '../measure/index';
import { Grain, Verdict, VisitAhead, VisitWorth } from '../plan/index';
import { activities, TreeSummary } from '../records/index';
import { goals } from '../shaping/index';

/** What a run goes by before somebody stands under the cut; the card at the tree judges it anew. */
const HandlingInShort = z.strictObject({
  kerfMm: z.number().describe('over bark'),
  kerfHeightCm: z.number().describe('over the ground'),
  wielded: z
    .strictObject({ toolId: z.string(), station: z.enum(['ground', 'ladder']) })
    .nullable()
    .describe('the tool of the kit, and where one stands with it'),
  handOver: z.boolean(),
  cautions: z.array(Caution).describe('why an arborist does it'),
});
export type HandlingInShort = z.infer<typeof HandlingInShort>;

const ListedCut = z.strictObject({
  id: z.string(),
  cut: z
    .string()
    .describe(
      'as the plan has it, as JSON: it is much of a list, and looked into at the tree. Empty lists and noughts of its reasons are left out',
    ),
  limbId: z.string(),
  limbName: z.string(),
  ...Cut.pick({ atCm: true, upToCm: true }).shape,
  findingIds: z.array(z.string()).describe('that it answers, those of the cuts it swallows included'),
  goals: z.array(z.enum(goals)).describe('what it is for besides findings'),
  candidateId: z.string().describe('of the plan’s step, or of the cut that the position rule asks for'),
  disorders: z.array(z.string()),
  wood: z.enum(woodClasses),
  infectedKerf: z.boolean().describe('the kerf itself lies in or near ill wood'),
  hidden: z.number().describe('chance that ill wood is met or stays, by the hidden extent'),
  station: z.string().describe('where one stands for it: on a ladder or not, and on which side of the tree'),
  ladder: z.boolean(),
  side: z.enum([...sides, '']).describe('of the tree; empty where an arborist does it'),
  handling: HandlingInShort,
  handedOver: z.boolean().describe('the plan leaves it to an arborist'),
  minutes: z.number().describe('at the cut by the plan; 0 where no plan has priced it'),
  plainMinutes: z.number().describe('the same before anybody’s own pace'),
});
export type ListedCut = z.infer<typeof ListedCut>;

/** What the plan of a tree comes to now. */
const Due = z.strictObject({
  steps: z.number().int(),
  minutes: z.number(),
  crown: z.number().describe('thousandths of the living crown that are taken'),
  infectedKg: z.number().describe('of ill wood to carry away'),
  grain: Grain,
  later: z.number().int().describe('steps of other seasons and passes'),
  must: z.boolean().describe('one of them answers what must be answered'),
  handOver: z.number().int().describe('what only an arborist’s cut would answer'),
  handsOver: z.boolean().describe('a finding is among that'),
  goals: z.array(z.enum(goals)).describe('in whichever season and by whom'),
  verdict: Verdict.shape.choice.nullable(),
  clash: z.boolean().describe('pins cannot be kept together'),
  worth: VisitWorth.nullable().describe('null where nothing is due; only a season asks for it, no list does'),
  ahead: z
    .array(VisitAhead)
    .describe('visits after the one at hand; only a season asks for them, no list does'),
});
export type Due = z.infer<typeof Due>;

export const ListedTree = z
  .strictObject({
    tree: TreeSummary.pick({
      id: true,
      code: true,
      plotId: true,
      plot: true,
      hazards: true,
    }),
    findings: z
      .array(
        z.strictObject({
          id: z.string(),
          limbId: z.string(),
          disorder: z.string(),
          activity: z.enum(activities),
        }),
      )
      .describe('open, on wood that stands'),
    known: z.record(z.string(), z.string()).describe('disorder by finding, closed ones too'),
    toDecide: z.array(z.string()).describe('disorders that no cut answers and nobody has decided on'),
    questions: z
      .array(
        z.strictObject({
          id: z.string(),
          limbId: z.string(),
          by: z.string(),
          of: z.string(),
          question: z.string(),
        }),
      )
      .describe('asked of somebody, not answered'),
    cuts: z.array(ListedCut).describe('due now, in the order of the plan; then those for an arborist'),
    due: Due.nullable().describe('null: not planned yet'),
    current: z.boolean().describe('false: by a plan from before something changed'),
  })
  .meta({ id: 'ListedTree' });
export type ListedTree = z.infer<typeof ListedTree>;
