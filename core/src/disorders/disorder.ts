// What is known of one disorder.
import type { Confidence } from '../register/index';

/** Groups of causes that ask for the same treatment. */
const causeGroupIds = [
  'fire blight',
  'canker',
  'bacterial',
  'brown rot',
  'stain',
  'dead wood',
  'freeze',
  'sunscald',
  'damage',
  'root',
  'gum',
  'borers',
  'local',
] as const;

/** Pathogens that enter wounds, as the wound model knows them. */
export const pathogenCodes = ['CYT', 'PSS', 'NEO', 'EUT', 'SIL', 'BOT', 'FB'] as const;
export type PathogenCode = (typeof pathogenCodes)[number];

/** What rules ask of a disorder. What a row does not say does not hold for it. */
export interface Traits {
  /** How it spreads, in the wood and on blades; the law and those who burn wood do not tell its forms apart. */
  spread?: 'fire blight' | 'bacterial canker' | 'crown gall';
  /** What it lets into a fresh wound nearby, as long as it is open. */
  pathogen?: PathogenCode;
  causeGroup?: (typeof causeGroupIds)[number];
  /** Fresh wounds in dormancy or rain let it in: it is cut in dry summer. */
  summerOnly?: true;
  /** On thick wood it may be pared out instead of cut off. */
  pared?: true;
  /** A strike of this season that moves: it does not wait, and a resistant tree may wall it off. */
  strike?: true;
  /** Active by what it is. */
  active?: true;
  /** What is broken hangs: it may fall, and nothing beyond it lives. */
  hanging?: true;
  /** Died of nobody knows what: suspect, until somebody does. */
  causeUnknown?: true;
  /** It weakens the whole tree, which takes fewer cuts that year. */
  stresses?: true;
  /** Whether its wood may be chipped: never, as it goes on shedding from chips; where it is thin; always. */
  chips?: 'never' | 'thin' | 'always';
  /** It runs on in the wood below: what is left is not top-worked. */
  runsOn?: true;
  /** No cut answers it: the tree comes out. */
  takesTree?: true;
  /** It is an old cut. */
  oldCut?: true;
  /** Its name says already whether it is active. */
  saysActivity?: true;
  /** What is meant where somebody says this kind and nothing more. */
  plain?: 'dead' | 'diseased' | 'damaged' | 'misplaced' | 'old cut';
  /** Where on the stem it sits, until somebody says otherwise. */
  sits?: 'base' | 'rootstock';
  /** Found so often that it is offered before anything is chosen. */
  often?: true;
  /** It occurs in this part of the world alone. */
  onlyIn?: string;
  /** It is on fruit that hangs on as mummies. */
  onFruit?: true;
}

export interface Disorder extends Traits {
  code: string;
  name: string;
  /** The mark it wears on every drawing. */
  kind: 'diseased' | 'dead' | 'damaged' | 'misplaced';
  cause: string;
  hosts: string;
  tellingSigns: string;
  /** What the tape is hooked to: "from the dark edge". */
  edge: string;
  /** 0 none · 1 clean between trees · 2 also after a diseased cut · 3 every cut. */
  toolWeight: { dormant: 0 | 1 | 2 | 3; growing: 0 | 1 | 2 | 3 };
  /** `wait`: cut only once growth shows what is alive; `leave`: no wood is cut for it. */
  answer: 'cut' | 'wait' | 'leave';
  /** What to do where no wood is cut, or not yet. */
  instead?: string;
  /** What to do when the wood is a stem and no cut is possible. */
  onTrunk: string;
  disposal: string;
  /** Said beside the disorder where a law may ask for more. */
  notifiable?: string;
  source: string;
  confidence: Confidence;
}
