// What do the crops of the last years say of the next one?

export const crops = ['none', 'light', 'fair', 'good', 'heavy', 'limbs broke'] as const;
export type Crop = (typeof crops)[number];

export interface CropOfYear {
  /** Year of the harvest. */
  year: number;
  crop: Crop;
}

export interface CropRhythm {
  /** It bears well every second year and little in between. */
  biennial: boolean;
  /** What the coming harvest is likely to be; null where no rhythm is known. */
  next: 'on' | 'off' | null;
  /** Years without any fruit up to the last one that was written down. */
  fruitlessYears: number;
}

/** So many years in turn make a rhythm. Common practice, no source. */
const YEARS_IN_TURN = 4;

const isFull = (crop: Crop) => crops.indexOf(crop) >= crops.indexOf('good');
const isPoor = (crop: Crop) => crops.indexOf(crop) <= crops.indexOf('light');

/**
 * @param seen one crop a year, in any order; a later word on the same year comes later in the list
 * @param coming year of the harvest that lies ahead
 */
export function cropRhythm(seen: readonly CropOfYear[], coming: number): CropRhythm {
  const byYear = new Map(seen.map(({ year, crop }) => [year, crop]));
  const last = Math.max(...byYear.keys());
  const inTurn = Array.from({ length: YEARS_IN_TURN }, (_, i) => byYear.get(last - i));
  const biennial = inTurn.every((crop, i) => {
    const next = inTurn[i + 1];
    if (crop === undefined || !(isFull(crop) || isPoor(crop))) return false;
    return next === undefined || isFull(crop) !== isFull(next);
  });
  const lastCrop = byYear.get(last);
  const isNext = biennial && coming === last + 1 && lastCrop !== undefined;
  let fruitlessYears = 0;
  while (byYear.get(last - fruitlessYears) === 'none') fruitlessYears++;
  return { biennial, next: isNext ? (isFull(lastCrop) ? 'off' : 'on') : null, fruitlessYears };
}
