// What the run says in words: why a cut is left out, what the kit cannot do, what was done in how long.

import { siteToday, treeView } from '@mortisect/core/present';
import type { Action, ActionBody } from '@mortisect/core/records';
import { runOf, workOf } from '@mortisect/core/run';
import { detail, did, finding, listedTreesOf, site, today } from '@mortisect/core/testing';
import { english } from '@mortisect/words/all';
import { totalsWords, workedMinutes } from './RunTotals';
import { leftOutWords, litresWords, missingWords } from './runWords';

test.each([
  [{ code: 'not made' as const, reason: 'Weather' }, 'Not made today: Weather'],
  [
    {
      code: 'hand over' as const,
      cautions: [
        {
          kind: 'hand over' as const,
          because: { code: 'cut too high' as const, values: { overCm: 340 } },
        },
      ],
    },
    'For a licensed arborist. The cut is more than 3.4 m (11 ft) over the ground.',
  ],
  // The plan may hand over what no single limit names
  [{ code: 'hand over' as const, cautions: [] }, 'For a licensed arborist.'],
])('left out: %j', (because, words) => expect(leftOutWords(english, because)).toBe(words));

test.each([
  ['nothing takes it', 'metric', 'No saw for 62 mm.'],
  ['nothing reaches it', 'metric', 'Nothing reaches 2.4 m.'],
  ['ladder needed', 'us', 'Only a ladder reaches 7 ft 10 in, and there is none.'],
] as const)('%s, %s', (gap, units, words) => {
  expect(missingWords(english, { itemId: '', treeCode: '', gap, kerfMm: 62, kerfHeightCm: 240 }, units)).toBe(
    words,
  );
});

// One cleaning with a cloth was “0.00 L”
test.each([
  [0.0041, '5 mL'],
  [0.0991, '100 mL'],
  [0.1, '0.10 L'],
  [1.25, '1.25 L'],
])('%s L of an agent: %s', (litres, words) => expect(litresWords(english, litres)).toBe(words));

test('what was done, in the time since the start without the pause', () => {
  let count = 0;
  const done = (action: ActionBody): Action => ({
    ...did(action),
    id: `0193f000-0000-7000-8000-${String(++count).padStart(12, '0')}`,
  });
  const at = (time: string) => `2026-11-24T${time}:00Z`;
  const made = {
    limbId: 'R',
    limbName: 'West limb',
    atCm: 0,
    kind: 'collar' as const,
    diameterMm: 40,
    clearanceCm: 0,
    shortfallCm: 0,
    sentence: '',
    massKg: 2,
  };
  const actions = [
    done({ kind: 'runStarted', at: at('07:00'), treeIds: ['a'], bladeIds: [], checked: [] }),
    done({ kind: 'bladeCleaned', at: at('09:01'), blade: 'saw-1', agentId: 'alcohol-70' }),
    done({
      kind: 'cutMade',
      at: at('09:10'),
      treeId: 'a',
      blade: 'saw-1',
      findingIds: ['2'],
      disorders: ['DEAD'],
      cut: made,
    }),
    done({ kind: 'runPaused', at: at('09:20') }),
    done({ kind: 'runResumed', at: at('09:50') }),
  ];
  const on = siteToday(site, null, '2026-11-24');
  const views = [treeView(detail([finding('1', 'S', 'FB_CANK_A')]), on)];
  const run = runOf({ work: workOf(listedTreesOf(views, on)), actions, today: on });
  // From seven to ten, less the half hour of the pause
  expect(workedMinutes(run, at('10:00'))).toBeCloseTo(150, 6);
  expect(totalsWords(english, run, today, at('10:00'))).toMatch(
    /^150 min · 1 cut · 1 cleaning · .*suspect 2 kg/,
  );
});
