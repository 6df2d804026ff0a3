// How much water does air hold, and when does dew fall?

/** Alduchov & Eskridge 1996, J. Appl. Meteorol. 35:601, over water. */
const A = 17.625;
const B_C = 243.04;
const C_HPA = 6.1094;

/** Saturation vapour pressure, hPa, at a temperature, °C. */
export function saturationHpa(temperatureC: number): number {
  return C_HPA * Math.exp((A * temperatureC) / (B_C + temperatureC));
}

/**
 * Dew point, °C.
 *
 * @param humidityPct relative humidity, over 0 to 100
 * @source Magnus form with the constants of Alduchov & Eskridge 1996
 * @example dewPointC(20, 60) //=> 12.0
 */
export function dewPointC(temperatureC: number, humidityPct: number): number {
  const gamma = Math.log(Math.max(0.1, humidityPct) / 100) + (A * temperatureC) / (B_C + temperatureC);
  return (B_C * gamma) / (A - gamma);
}

/**
 * Relative humidity, %, of air with a dew point; 100 at most.
 *
 * @example humidityPct(15, 10) //=> 72
 */
export function humidityPct(temperatureC: number, dewPoint: number): number {
  return Math.min(100, (100 * saturationHpa(dewPoint)) / saturationHpa(temperatureC));
}
