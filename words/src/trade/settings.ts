// What is said beside a setting.
import { upperFirst } from '@mortisect/core/measure';
import { asAsked, type SettingField } from '@mortisect/core/settings';
import type { Say } from '../say';
import { told } from './told';

/** Where a value comes from, as it is said beside it: “Starts at 15 mm a metre. Common practice, no source.” */
export function aboutSetting(say: Say, field: SettingField, start: unknown): string {
  const { hint, unit, source, confidence } = field;
  const figure = `${asAsked(field, Number(start))}${unit ? ` ${told(say, unit)}` : ''}`.replace('-', '−');
  const sure = confidence && confidence !== 'practice' ? told(say, confidence) : null;
  const from = source && upperFirst(told(say, source));
  return [
    hint && told(say, hint),
    typeof start === 'number' && say('shared.startsAtFigure', { figure }),
    from && (sure ? say('shared.sourceSure', { source: from, sure }) : `${from}.`),
  ]
    .filter(Boolean)
    .join(' ');
}
