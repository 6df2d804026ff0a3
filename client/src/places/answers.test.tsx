// The answer on the screen: sentence, reasons, schools, decisions, cautions, and the choice between two versions.

import { standingCuts, treeView } from '@mortisect/core/present';
import { english } from '@mortisect/words/all';
import { fireEvent, render, screen, within } from '@testing-library/react';
import { ServerProblem } from '../data/api';
import { detail, finding, Stage, today } from '../testing/orchard';
import { Conflict } from './Conflict';
import { Answer } from './round/Answer';
import { SchoolTable } from './SchoolTable';
import { schoolAnswers } from './schools';
import { WhySheet } from './WhySheet';

const canker = finding('1', 'S', 'FB_CANK_A');
const view = treeView(detail([canker]), today);
const answer = (of = view, lesionId = '1') =>
  render(<Answer view={of} today={today} lesionId={lesionId} onWhy={() => {}} />, { wrapper: Stage });

test('the sentence says measure and place', () => {
  const { container } = answer();
  expect(container.textContent).toContain('Measure 30 cm toward the trunk from the dark edge.');
  expect(container.textContent).toContain('at the collar of A (3 o’clock');
});

test('on the trunk the choices stand in place of a cut', () => {
  const { container } = answer(
    treeView(detail([finding('2', 'T', 'NEO', { fromCm: 20, toCm: 30 })]), today),
    '2',
  );
  expect(container.textContent).toContain(
    'no cut answers it. It is your decision: excise, bridge, watch, remove tree.',
  );
  expect(container.textContent).toContain('Pare to clean bark');
});

test('a hanging limb is said before anything is measured', () => {
  const { container } = answer(treeView(detail([canker], { hazards: ['hanging limb'] }), today));
  const said = container.textContent ?? '';
  expect(said.indexOf('Work for a licensed arborist')).toBeGreaterThanOrEqual(0);
  expect(said.indexOf('Work for a licensed arborist')).toBeLessThan(said.indexOf('Measure'));
});

test('wood that comes off with another cut names that cut', () => {
  const low = finding('3', 'S', 'FB_CANK_D', { fromCm: 20, toCm: 30 });
  const buds = [{ atCm: 130, points: 'under' as const, kind: 'leaf' as const, live: true }];
  const record = detail([finding('1', 'S', 'FB_CANK_A', { fromCm: 170, toCm: 175 }), low]);
  const mapped = {
    ...record,
    limbs: record.limbs.map((limb) => (limb.id === 'S' ? { ...limb, ageYears: 3, buds } : limb)),
  };
  const { container } = answer(treeView(mapped, today), '1');
  expect(container.textContent).toContain('just above the bud that points under, 130.5 cm');
  expect(container.textContent).toContain('The cut on A (3 o’clock, middle) removes this wood too.');
});

test('the schools: every one of the disorder, clearance growing with the school, the site’s own marked', () => {
  const answers = schoolAnswers(english, view, today, '1');
  expect(answers.map((answer) => answer.clearance)).toEqual([
    '20 cm',
    '25 cm',
    '30 cm',
    '35.5 cm',
    '45.5 cm',
    '15 cm',
  ]);
  expect(answers.filter((answer) => answer.isSites).map((answer) => answer.schoolId)).toEqual(['fb-10-12']);
  render(<SchoolTable view={view} today={today} lesionId="1" />, { wrapper: Stage });
  const table = screen.getByRole('table', { name: 'What each school would do here' });
  expect(within(table).getAllByRole('row')).toHaveLength(1 + answers.length);
});

test('why: in a dialog with its steps, closed again by its button', () => {
  const onClose = jest.fn();
  render(<WhySheet view={view} today={today} cut={standingCuts(view)[0] ?? null} onClose={onClose} />, {
    wrapper: Stage,
  });
  const dialog = screen.getByRole('dialog', { name: 'Why here' });
  expect(dialog.textContent).toContain('A range means its upper end: 30 cm.');
  fireEvent.click(within(dialog).getByText('Close'));
  expect(onClose).toHaveBeenCalledTimes(1);
});

describe('two versions', () => {
  const moved = new ServerProblem({
    type: 'moved-meanwhile',
    title: 'Changed meanwhile',
    status: 409,
    detail: 'Nothing was overwritten.',
    instance: '1',
    yours: { note: 'mine' },
    theirs: { note: 'theirs', revision: 4 },
  });
  const lines = (version: unknown) => [(version as { note: string }).note];
  const shown = (error: Error | null) => {
    const calls = { mine: jest.fn(), theirs: jest.fn(), dismissed: jest.fn() };
    render(
      <Conflict
        error={error}
        lines={lines}
        onKeepMine={calls.mine}
        onKeepTheirs={calls.theirs}
        onDismiss={calls.dismissed}
      />,
      { wrapper: Stage },
    );
    return calls;
  };

  test('both are shown, and mine goes out on the revision that stands now', () => {
    const calls = shown(moved);
    const dialog = screen.getByRole('dialog', { name: 'Changed meanwhile' });
    expect(dialog.textContent).toContain('mine');
    expect(dialog.textContent).toContain('theirs');
    fireEvent.click(within(dialog).getByText('Keep mine'));
    expect(calls.mine).toHaveBeenCalledWith(4);
    fireEvent.click(within(dialog).getByText('Not yet'));
    expect(calls.dismissed).toHaveBeenCalledTimes(1);
    expect(calls.theirs).not.toHaveBeenCalled();
  });

  test('any other failure shows nothing here', () => {
    shown(new Error('away'));
    expect(screen.queryByRole('dialog')).toBeNull();
  });
});
