// Drawings of signs: each can be told from every other, and each says what it shows.
import { drawnSign, drawnSigns, signOf } from '@mortisect/core/diagnosis';
import { english } from '@mortisect/words/all';
import { render, screen } from '@testing-library/react';
import { shapesOf } from './marks';
import { SignPicture } from './SignPicture';
import { sceneOf, VIEW } from './scenes';

const SEEDS = [1, 2, 3];
const drawnFrom = (code: string, seed: number) => {
  const drawn = drawnSign(code, seed);
  if (!drawn) throw new Error(code);
  return drawn;
};

test.each(drawnSigns)('%s adds to its scene, in strokes that can be drawn and seen', (code) => {
  for (const seed of SEEDS) {
    const drawn = drawnFrom(code, seed);
    const [scene, shapes] = [sceneOf(drawn).shapes, shapesOf(drawn)];
    const added = shapes.slice(scene.length);
    expect(shapes.slice(0, scene.length)).toEqual(scene);
    expect(added.length).toBeGreaterThan(0);
    for (const { d, stroke, fill, width = 0 } of added) {
      expect(d).toMatch(/^M-?[\d.]+/);
      expect(d).not.toMatch(/NaN|undefined|Infinity/);
      expect(fill !== undefined || (stroke !== undefined && width >= 0.9)).toBe(true);
    }
    // What is drawn begins in view, but for a tip that grows out of it
    const outside = added.filter(({ d }) => {
      const [, x = '0', y = '0'] = /^M(-?[\d.]+)[ ,](-?[\d.]+)/.exec(d) ?? [];
      return (
        Math.abs(Number(x) - VIEW.width / 2) > VIEW.width ||
        Math.abs(Number(y) - VIEW.height / 2) > VIEW.height
      );
    });
    expect(outside).toEqual([]);
  }
});

test('no two signs look the same in form alone', () => {
  const forms = drawnSigns.map((code) =>
    shapesOf(drawnFrom(code, 1))
      .map(({ d }) => d)
      .join(),
  );
  expect(new Set(forms).size).toBe(drawnSigns.length);
});

test('marks of a fungus are on the dead patch, others anywhere on the piece', () => {
  for (const seed of SEEDS) {
    const drawn = drawnFrom('BK_PIMPLE', seed);
    const { place, patch, centre } = sceneOf(drawn);
    for (const { x, y } of drawn.parts.find(({ mark }) => mark === 'pimple')?.marks ?? []) {
      const [px] = place(x, y);
      expect(Math.abs(px - centre[0])).toBeLessThan((patch?.size ?? 0) / 2);
    }
  }
  expect(sceneOf(drawnFrom('BK_GUM', 1)).patch).toBeUndefined();
});

test('a drawing says that it is one, and of what; a code without one draws nothing', () => {
  const label = signOf('BK_SUNK')?.label ?? '';
  const { container, rerender } = render(<SignPicture code="BK_SUNK" label={label} />);
  const picture = screen.getByRole('img', { name: english('shared.drawingOf', { sign: label }) });
  const paths = picture.querySelectorAll('path').length;
  expect(paths).toBeGreaterThan(shapesOf(drawnFrom('BK_SUNK', 1)).length - 1);
  rerender(<SignPicture code="BK_SUNK" label={label} seed={2} />);
  const anew = screen.getByRole('img').innerHTML;
  rerender(<SignPicture code="BK_SUNK" label={label} seed={2} />);
  expect(screen.getByRole('img').innerHTML).toBe(anew);
  rerender(<SignPicture code="DREAMT" label="Dreamt" />);
  expect(container.innerHTML).toBe('');
});
