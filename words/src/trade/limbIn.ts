// What a limb is called, in the reader’s language. Its name is minted in English and stands so on every record.
import { besideLabel, labelIn, lowerFirst } from '@mortisect/core/tree';
import type { Say } from '../say';

const ON_A_LIMB = /^(\d+) o’clock at (\d+ (?:cm|in)) on (.+?)( \(\d+\))?$/;
const ON_THE_STEM = /^(\d+) o’clock, (low|middle|high)( \(\d+\))?$/;
const PART =
  /^the (\d+) (steepest|flattest|longest|shortest) of about (\d+) at (\d+ (?:cm|in)) on (.+?)( \(\d+\))?$/i;
const BUNDLE = /^about (\d+) at (\d+ (?:cm|in)) on (.+?)( \(\d+\))?$/i;
const OUT = /^(\d+) o’clock, (\d+ (?:cm|in)) out$/;
const MANY_OUT = /^about (\d+), (\d+ (?:cm|in)) out$/;
const PART_OUT = /^the (\d+) (steepest|flattest|longest|shortest) of about (\d+), (\d+ (?:cm|in)) out$/;
const STEM = /^stem( \d+)?$/i;
const SUCKER = /^sucker at (\d+) o’clock( \(\d+\))?$/i;
const PARTS_OUT = {
  steepest: 'trade.steepestOut',
  flattest: 'trade.flattestOut',
  longest: 'trade.longestOut',
  shortest: 'trade.shortestOut',
} as const;
const PARTS = {
  steepest: 'trade.limbSteepest',
  flattest: 'trade.limbFlattest',
  longest: 'trade.limbLongest',
  shortest: 'trade.limbShortest',
} as const;
const TIERS = { low: 'trade.tierLow', middle: 'trade.tierMiddle', high: 'trade.tierHigh' } as const;

/**
 * @param name as the core mints it, or as somebody gave it
 * @returns a given name as it is
 * @example limbIn(sayIn('es-ES'), '4 o’clock, low') //=> 'las 4, baja'
 */
export function limbIn(say: Say, name: string): string {
  const label = labelIn(name);
  return label === null ? foundIn(say, name) : `${label} · ${foundIn(say, besideLabel(name))}`;
}

/** The same within a sentence. @example limbInText(say, 'B3 · 5 o’clock, 240 cm out') //=> 'B3 (5 o’clock, 240 cm out)' */
export function limbInText(say: Say, name: string): string {
  const label = labelIn(name);
  return label === null ? lowerFirst(foundIn(say, name)) : `${label} (${foundIn(say, besideLabel(name))})`;
}

/** What leads the name of a limb: its label, or all of it where it has none. */
export const labelWords = (say: Say, name: string): string => labelIn(name) ?? foundIn(say, name);

/** How a limb is found, beside its label; empty where it has none. */
export const besideWords = (say: Say, name: string): string =>
  labelIn(name) === null ? '' : foundIn(say, besideLabel(name));

function foundIn(say: Say, name: string): string {
  const [, hourOut, cmOut] = OUT.exec(name) ?? [];
  if (hourOut !== undefined && cmOut !== undefined)
    return say('trade.limbOut', { hour: Number(hourOut), at: cmOut });
  const [, many, manyAt] = MANY_OUT.exec(name) ?? [];
  if (many !== undefined && manyAt !== undefined)
    return say('trade.bundleOut', { about: Number(many), at: manyAt });
  const [, some, whichOut, ofOut, someAt] = PART_OUT.exec(name) ?? [];
  if (some !== undefined && someAt !== undefined)
    return say(PARTS_OUT[whichOut as keyof typeof PARTS_OUT], {
      count: Number(some),
      of: Number(ofOut),
      at: someAt,
    });
  const [, hour, at, parent = '', twin = ''] = ON_A_LIMB.exec(name) ?? [];
  if (hour !== undefined && at !== undefined)
    return say('trade.limbOnLimb', { hour: Number(hour), at, limb: foundIn(say, parent) }) + twin;
  const [, onStem, tier, stemTwin = ''] = ON_THE_STEM.exec(name) ?? [];
  if (onStem !== undefined)
    return (
      say('trade.limbOnStem', { hour: Number(onStem), tier: say(TIERS[tier as keyof typeof TIERS]) }) +
      stemTwin
    );
  const [, about, place, carrier = '', bundleTwin = ''] = BUNDLE.exec(name) ?? [];
  if (about !== undefined && place !== undefined)
    return (
      say('trade.limbBundle', { about: Number(about), at: place, limb: foundIn(say, carrier) }) + bundleTwin
    );
  const [, count, which, of, middle, on = '', partTwin = ''] = PART.exec(name) ?? [];
  if (count !== undefined && middle !== undefined) {
    return (
      say(PARTS[which as keyof typeof PARTS], {
        count: Number(count),
        of: Number(of),
        at: middle,
        limb: foundIn(say, on),
      }) + partTwin
    );
  }
  const [, from, suckerTwin = ''] = SUCKER.exec(name) ?? [];
  if (from !== undefined) return say('trade.limbSucker', { hour: Number(from) }) + suckerTwin;
  const stem = STEM.exec(name);
  return stem ? say('trade.limbStem') + (stem[1] ?? '') : name;
}
