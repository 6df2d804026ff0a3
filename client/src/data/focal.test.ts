// What a photo says of its lens counts only while the picture is as the camera took it.
import { plainFocal } from './focal';

const plain = { 41989: 26, 40962: 4000, 40963: 3000 };
const taken = [4000, 3000] as const;

test.each<[string, Record<number, unknown>, readonly [number, number], number | null]>([
  ['as it was taken', plain, taken, 26],
  ['made smaller since', plain, [1600, 1200], 26],
  ['turned since', plain, [3000, 4000], 26],
  ['cropped since', plain, [3000, 3000], null],
  ['cropped by less than a hundredth', plain, [4000, 2975], 26],
  ['zoomed in the camera', { ...plain, 41988: 2 }, taken, null],
  ['said to be zoomed by nothing', { ...plain, 41988: 1 }, taken, 26],
  ['no zoom told', { ...plain, 41988: 0 }, taken, 26],
  ['no size told', { 41989: 26 }, taken, 26],
  ['nothing told', {}, taken, null],
  ['zero for unknown', { ...plain, 41989: 0 }, taken, null],
  ['shorter than any lens', { ...plain, 41989: 7.9 }, taken, null],
  ['the shortest', { ...plain, 41989: 8 }, taken, 8],
  ['the longest', { ...plain, 41989: 400 }, taken, 400],
  ['longer than any lens', { ...plain, 41989: 401 }, taken, null],
])('%s', (_what, said, takenPx, focal) => {
  expect(plainFocal(said, takenPx)).toBe(focal);
});
