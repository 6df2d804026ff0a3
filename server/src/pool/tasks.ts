// What is computed off the thread that answers.
import type { Locale } from '@mortisect/words';
import type { CopyRead } from '../files/archiveFile';
import type { TreeFile, TreeFileRead } from '../files/readTrees';
import type { WeatherFile, WeatherFileRead } from '../files/readWeather';
import type { SheetPaper, TreeSheet, WeekSheet } from '../files/sheet/sheet';
import type { DamagedPage } from '../store/pages';
import { type Sliced, slicesOf } from './slices';

export { compute } from './computes';
export { fold } from './fold';
export { listedTrees } from './listed';
export { planToKeep, treePlan } from './plan';
export { seasonLp, siteSeason, siteWhatIf } from './seasonOfSite';
export { simulated } from './weatherSource';
export { timing, treeSeason, treeTiming } from './when';

// What reads and writes files brings large packages: it is loaded when it is asked for, so that a worker plans a third of a second after it was called

/** Sheets, paper and language come as one task. */
export async function cutSheet({
  sheets,
  paper,
  locale,
  week = null,
}: {
  sheets: TreeSheet[];
  paper: SheetPaper;
  locale: Locale;
  week?: WeekSheet | null;
}): Promise<Uint8Array<ArrayBuffer>> {
  const { cutSheetPdf } = await import('../files/sheet/sheet');
  const { sayIn } = await import('@mortisect/words/all');
  return cutSheetPdf(sayIn(locale), sheets, paper, week);
}

export async function readWeatherFile(file: WeatherFile): Promise<Sliced<WeatherFileRead, 'hours'>> {
  const read = (await import('../files/readWeather')).readWeather(file);
  return 'fault' in read ? read : { ...read, hours: slicesOf(read.hours) };
}
export async function readTreeFile(file: TreeFile): Promise<Sliced<TreeFileRead, 'rows'>> {
  const read = (await import('../files/readTrees')).readTrees(file);
  return 'fault' in read ? read : { ...read, rows: slicesOf(read.rows) };
}

export async function readCopy({ file }: { file: string }): Promise<CopyRead> {
  return (await import('../files/archiveFile')).readCopy(file);
}

export const damagedPages = async ({ folder }: { folder: string }): Promise<DamagedPage[]> =>
  (await import('../store/pages')).damagedPages(folder);
