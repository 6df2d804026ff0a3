// How good are the causes that are named? Trees are drawn from a known truth and asked about.

import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { type Season, seasons } from '../../disorders/index';
import { hostGroups } from '../../register/index';
import { modelFor } from '../causes';
import { type Answers, shows, signs, usable } from '../signs';

export interface Quality {
  n: number;
  /** Share in which the true cause comes first, or among the first three. */
  top1: number;
  top3: number;
  /** Mean probability given to the first cause minus the share in which it is right; 0 is honest. */
  overconfidence: number;
}

interface Setting {
  n: number;
  seed: number;
  /** Share of chances that are moved to the class above or below. */
  perturbed: number;
  /** Share of answers that are given wrong. */
  wrongAnswers: number;
}

const CLASSES = [0.02, 0.1, 0.3, 0.6, 0.9];
const RANDOM_QUESTIONS = 18;
const RELEVANT_QUESTIONS = 4;
const RELEVANT_FROM = 0.3;

/**
 * Draws host, season and true cause by the priors, answers 18 random questions in season and up to 4 that bear on the truth,
 * and scores the ranking. With `perturbed`, the truth follows a table whose classes are off by one here and there.
 */
export function sampledQuality({ n, seed, perturbed, wrongAnswers }: Setting): Quality {
  const rng = xoroshiro128plus(seed);
  const random = () => uniformFloat64(rng);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  let [top1, top3, claimed] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    const host = pick(hostGroups);
    const season: Season = pick(seasons);
    const model = modelFor(host, season, []);
    const priors = model.posterior(new Map(), []);
    const truth = drawn(priors, random);
    const chance = (sign: string) => moved(model.chance(sign, truth), perturbed, random);
    const asked = questions(season, (sign) => model.chance(sign, truth), pick);
    const answers: Answers = {};
    for (const sign of asked) {
      const seen = random() < chance(sign) !== random() < wrongAnswers;
      answers[sign] = seen ? 'present' : 'absent';
    }
    const posterior = model.posterior(usable(answers, season), []);
    const place = posterior.filter((p) => p > (posterior[truth] as number)).length;
    if (place === 0) top1++;
    if (place < 3) top3++;
    claimed += Math.max(...posterior);
  }
  return { n, top1: top1 / n, top3: top3 / n, overconfidence: claimed / n - top1 / n };
}

function drawn(p: readonly number[], random: () => number): number {
  let left = random();
  const at = p.findIndex((chance) => {
    left -= chance;
    return left < 0;
  });
  return at < 0 ? p.length - 1 : at;
}

function moved(p: number, share: number, random: () => number): number {
  const at = CLASSES.indexOf(p);
  if (at < 0 || random() >= share) return p;
  const to = at + (random() < 0.5 ? -1 : 1);
  return CLASSES[Math.min(CLASSES.length - 1, Math.max(0, to))] as number;
}

function questions(
  season: Season,
  chance: (sign: string) => number,
  pick: <T>(list: readonly T[]) => T,
): Set<string> {
  const open = signs.filter((sign) => shows(sign, season)).map((sign) => sign.code);
  const relevant = open.filter((sign) => chance(sign) >= RELEVANT_FROM);
  const asked = new Set<string>();
  while (asked.size < Math.min(RANDOM_QUESTIONS, open.length)) asked.add(pick(open));
  for (let i = 0; i < RELEVANT_QUESTIONS && relevant.length > 0; i++) asked.add(pick(relevant));
  return asked;
}
