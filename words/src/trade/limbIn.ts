// What a limb is called, in the reader’s language. Its name is minted in English and stands so on every record.
import type { Say } from '../say';

const ON_A_LIMB = /^(\d+) o’clock at (\d+ (?:cm|in)) on (.+?)( \(\d+\))?$/;
const ON_THE_STEM = /^(\d+) o’clock, (low|middle|high)( \(\d+\))?$/;
const PART =
  /^the (\d+) (steepest|flattest|longest|shortest) of about (\d+) at (\d+ (?:cm|in)) on (.+?)( \(\d+\))?$/i;
const BUNDLE = /^about (\d+) at (\d+ (?:cm|in)) on (.+?)( \(\d+\))?$/i;
const STEM = /^stem( \d+)?$/i;
const SUCKER = /^sucker at (\d+) o’clock( \(\d+\))?$/i;
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
  const [, hour, at, parent = '', twin = ''] = ON_A_LIMB.exec(name) ?? [];
  if (hour !== undefined && at !== undefined)
    return say('trade.limbOnLimb', { hour: Number(hour), at, limb: limbIn(say, parent) }) + twin;
  const [, onStem, tier, stemTwin = ''] = ON_THE_STEM.exec(name) ?? [];
  if (onStem !== undefined)
    return (
      say('trade.limbOnStem', { hour: Number(onStem), tier: say(TIERS[tier as keyof typeof TIERS]) }) +
      stemTwin
    );
  const [, about, place, carrier = '', bundleTwin = ''] = BUNDLE.exec(name) ?? [];
  if (about !== undefined && place !== undefined)
    return (
      say('trade.limbBundle', { about: Number(about), at: place, limb: limbIn(say, carrier) }) + bundleTwin
    );
  const [, count, which, of, middle, on = '', partTwin = ''] = PART.exec(name) ?? [];
  if (count !== undefined && middle !== undefined) {
    return (
      say(PARTS[which as keyof typeof PARTS], {
        count: Number(count),
        of: Number(of),
        at: middle,
        limb: limbIn(say, on),
      }) + partTwin
    );
  }
  const [, from, suckerTwin = ''] = SUCKER.exec(name) ?? [];
  if (from !== undefined) return say('trade.limbSucker', { hour: Number(from) }) + suckerTwin;
  const stem = STEM.exec(name);
  return stem ? say('trade.limbStem') + (stem[1] ?? '') : name;
}
