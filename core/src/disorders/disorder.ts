// What is known of one disorder.
import type { Confidence } from '../register/index';

export interface Disorder {
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
