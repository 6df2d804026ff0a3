// Is bark or leaf wet in an hour?
import { dewPointC } from './humidity';

/** Rain of an hour from which wood is wet, mm. */
export const WET_RAIN_MM = 0.2;
/** Relative humidity from which it is wet without rain. Sentelhas et al. 2008, Agric. For. Meteorol. 148:392; from memory, confidence low. */
export const WET_HUMIDITY_PCT = 90;
/** Or so near the dew point, °C. Common practice, no source. */
const WET_DEPRESSION_C = 1.6;
const MINUTES = 60;

interface WetHour {
  temperatureC: number | null;
  humidityPct: number | null;
  rainMm: number | null;
  wetMinutes: number | null;
}

/**
 * Whether an hour is wet: as measured where a sensor measures it, else by rain, humidity and dew point.
 *
 * @returns null where nothing is known of it
 */
export function isWet({ temperatureC, humidityPct, rainMm, wetMinutes }: WetHour): boolean | null {
  if (wetMinutes !== null) return wetMinutes >= MINUTES / 2;
  if (rainMm !== null && rainMm >= WET_RAIN_MM) return true;
  if (humidityPct === null) return rainMm === null ? null : false;
  if (humidityPct >= WET_HUMIDITY_PCT) return true;
  return temperatureC !== null && temperatureC - dewPointC(temperatureC, humidityPct) <= WET_DEPRESSION_C;
}
