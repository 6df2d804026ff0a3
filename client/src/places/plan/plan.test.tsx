// The plan's screens: what stands on them is what the core said, in words, with the way to undo it.

import {
  alternativesTo,
  type MarginCurve as Curve,
  limbsAfter,
  type Solved,
  visitsOf,
} from '@mortisect/core/plan';
import { treeView } from '@mortisect/core/present';
import { plansOf } from '@mortisect/core/testing';
import { english } from '@mortisect/words/all';
import { visitTitle } from '@mortisect/words/trade';
import { fireEvent, render, screen } from '@testing-library/react';
import { MarginCurve } from '../../drawings/MarginCurve';
import { detail, did, finding, readOrchard, Stage, today } from '../../testing/orchard';
import { Swipe } from '../../ui/Swipe';
import { ArboristPart } from './ArboristPart';
import { LeftAsIs, VerdictNotice } from './Honest';
import { PinList } from './Pins';
import { PlanHead, seasonWords } from './PlanHead';
import { chanceWords, percentOf } from './planView';
import { StepRows } from './StepRows';

const canker = finding('1', 'S', 'FB_CANK_A');
const dead = finding('2', 'R', 'DEAD');

function solvedOf(given: Parameters<typeof detail>) {
  const view = treeView(detail(...given), today);
  return { view, solved: plansOf([view], today).get('a') as Solved };
}

test('visits in order, each step a row that says place, reason and share', () => {
  const { view, solved } = solvedOf([[canker, dead]]);
  const visits = visitsOf(solved);
  expect(visits).toHaveLength(1);
  expect(visits[0] && visitTitle(english, visits[0])).toBe('Winter 2026/27');
  expect(visits[0]?.isNow).toBe(true);
  const onChoose = jest.fn();
  render(
    <StepRows view={view} today={today} steps={visits[0]?.steps ?? []} chosenId={null} onChoose={onChoose} />,
    {
      wrapper: Stage,
    },
  );
  const rows = screen.getAllByRole('button');
  expect(rows).toHaveLength(2);
  expect(rows[0]?.textContent).toMatch(/Dead wood · only the dead wood/);
  expect(rows[1]?.textContent).toMatch(/collar.*Fire blight canker, active/);
  fireEvent.click(rows[1] as HTMLElement);
  expect(onChoose).toHaveBeenCalledWith('S collar 0');
});

test('the ledger says the season’s share, its limit, and what disease takes at least', () => {
  const { solved } = solvedOf([[canker, dead]]);
  render(<PlanHead solved={solved} visits={visitsOf(solved)} />, { wrapper: Stage });
  expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(
    /^Crown ledger: \d+ % comes off in season 1, of a limit of 25 %\.$/,
  );
  expect(screen.getByText(/for disease\. Your limit for other cuts is/)).toBeTruthy();
});

test.each([
  [100, 0, 'of the crown in season 2. Your limit is 25 %.'],
  [0, 100, 'of the crown in season 2, all for disease. Your limit for other cuts is 25 %.'],
  [50, 100, 'of the crown in season 2, 10 % of it for disease. Your limit for other cuts is 25 %.'],
])('%s thousandths by choice and %s for disease', (crown, exempt, words) => {
  expect(seasonWords(english, { season: 2, crown, exempt, limit: 250, quotas: [] })).toBe(words);
});

test('the tree as it will stand has lost what was taken', () => {
  const { view, solved } = solvedOf([[canker]]);
  const steps = visitsOf(solved).flatMap((visit) => visit.steps);
  expect(limbsAfter(view.limbs, steps, 1).map((limb) => limb.id)).toEqual(['T', 'R']);
  expect(limbsAfter(view.limbs, steps, 0)).toHaveLength(3);
  const [step] = steps;
  if (!step) throw new Error('No step is planned.');
  expect(alternativesTo(step, solved).map((priced) => priced.id)).not.toContain(step.priced.id);
});

test('a tree that comes out says so, and how else it may be decided', () => {
  const stem = finding('3', 'T', 'NEO', { widthsCm: [24], fromCm: 10, toCm: 30 });
  const { view, solved } = solvedOf([[stem, dead]]);
  render(
    <Stage client={readOrchard([view.detail])}>
      <VerdictNotice view={view} solved={solved} />
    </Stage>,
  );
  expect(screen.getByRole('alert').textContent).toMatch(/Remove the tree/);
  expect(screen.getByRole('button', { name: 'Decide: top-work' })).toBeTruthy();
  expect(visitsOf(solved)).toEqual([]);
});

test('what is left is told with its reason', () => {
  const { view, solved } = solvedOf([[finding('4', 'S', 'GUM'), { ...dead, activity: 'healed' }]]);
  render(<LeftAsIs view={view} solved={solved} />, { wrapper: Stage });
  expect(screen.getByText(/No wood is cut for this\. Do not cut for gum alone/)).toBeTruthy();
  expect(screen.getByText(/Healed over: no cut/)).toBeTruthy();
});

test('the arborist’s part says limb, height, thickness, weight and why, and nothing of it is told again as left', () => {
  const high = detail([canker, dead], { heightCm: 760 });
  const limbs = high.limbs.map((limb) =>
    limb.id === 'T' ? { ...limb, lengthCm: 600 } : limb.id === 'S' ? { ...limb, jointCm: 420 } : limb,
  );
  const view = treeView({ ...high, limbs }, today);
  const solved = plansOf([view], today).get('a') as Solved;
  render(
    <>
      <ArboristPart view={view} today={today} solved={solved} />
      <LeftAsIs view={view} solved={solved} />
    </>,
    { wrapper: Stage },
  );
  expect(screen.getByRole('heading', { name: 'For a licensed arborist' })).toBeTruthy();
  expect(screen.getByText(/: Fire blight canker, active$/)).toBeTruthy();
  expect(screen.getByText(/^\d(\.\d)? m over the ground · \d+ mm thick · .*kg$/)).toBeTruthy();
  expect(screen.getByText('The cut is more than 3.4 m (11 ft) over the ground.')).toBeTruthy();
  expect(screen.queryByRole('heading', { name: 'Findings without a cut' })).toBeNull();
});

test('a tree without such a cut says nothing of an arborist', () => {
  const { view, solved } = solvedOf([[canker, dead]]);
  render(<ArboristPart view={view} today={today} solved={solved} />, { wrapper: Stage });
  expect(document.body.textContent).toBe('');
});

test('pins stand in words, each with a way off', () => {
  const pin = did({
    kind: 'planPinned',
    at: '2026-11-20T09:00:00Z',
    treeId: 'a',
    pin: { kind: 'stays', limbId: 'S' },
  });
  const { view } = solvedOf([[canker], {}, [pin]]);
  render(
    <Stage client={readOrchard([view.detail])}>
      <PinList view={view} today={today} />
    </Stage>,
  );
  expect(screen.getByText(/ stays$/)).toBeTruthy();
  expect(screen.getByRole('button', { name: /^Remove this pin: .* stays$/ }).hasAttribute('disabled')).toBe(
    false,
  );
});

test('the curve is a slider that says what a clearance leaves and costs', () => {
  const point = (clearanceCm: number, chance: number, crown: number): Curve['points'][number] => ({
    clearanceCm,
    cut: null,
    reachedCm: clearanceCm,
    crown,
    chance,
    range: [chance / 2, chance * 2],
  });
  const curve: Curve = {
    findingId: '1',
    points: [point(10, 0.4, 20), point(20, 0.2, 50), point(30, 0.1, 160)],
    schools: [{ schoolId: 'x', name: '8 in', clearanceCm: 20, isSites: true }],
    nowCm: 20,
  };
  const onAt = jest.fn();
  render(<MarginCurve curve={curve} units="metric" at={1} onAt={onAt} />, { wrapper: Stage });
  const slider = screen.getByRole('slider', { name: 'Clearance' });
  expect(slider.getAttribute('aria-valuetext')).toBe('20 cm: 20 in 100 that disease stays, 5 % of the crown');
  fireEvent.keyDown(slider, { key: 'ArrowRight' });
  expect(onAt).toHaveBeenLastCalledWith(2);
  fireEvent.keyDown(slider, { key: 'ArrowLeft', shiftKey: true });
  expect(onAt).toHaveBeenLastCalledWith(0);
});

test('one card at a time, with buttons that end where the cards end', () => {
  const onAt = jest.fn();
  render(
    <Swipe label="Steps" at={0} count={2} onAt={onAt}>
      <span>first</span>
      <span>second</span>
    </Swipe>,
    { wrapper: Stage },
  );
  expect(screen.getByText('first')).toBeTruthy();
  expect(screen.queryByText('second')).toBeNull();
  expect(screen.getByRole('button', { name: 'Step before' }).hasAttribute('disabled')).toBe(true);
  fireEvent.click(screen.getByRole('button', { name: 'Next step' }));
  expect(onAt).toHaveBeenCalledWith(1);
});

test.each([
  [0, '0 %'],
  [4, '<\u00a01\u00a0%'],
  [83, '8 %'],
])('%i thousandths read %s', (crown, words) => {
  expect(percentOf(crown)).toBe(words);
});

test.each([
  [0.0001, 'under 1 in 100'],
  [0.123, 'about 12 in 100'],
])('a chance of %f reads %s', (chance, words) => {
  expect(chanceWords(english, chance)).toBe(words);
});
