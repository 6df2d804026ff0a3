// Shares and chances of a plan in words.

export function percentOf(thousandths: number): string {
  if (thousandths > 0 && thousandths < 10) return '< 1 %';
  return `${Math.round(thousandths / 10)} %`;
}

/** “about 12 in 100”, “under 1 in 100”. */
export function chanceWords(chance: number): string {
  if (chance < 0.005) return 'under 1 in 100';
  return `about ${Math.round(chance * 100)} in 100`;
}
