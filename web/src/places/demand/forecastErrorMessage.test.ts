import { describe, expect, it } from '@jest/globals';
import { formats as f, t } from '../../test-support/words';
import { formatForecastErrorMessage } from './forecastErrorMessage';

const say = (
  ...of: Parameters<typeof formatForecastErrorMessage> extends [unknown, unknown, ...infer R]
    ? R
    : never
) => formatForecastErrorMessage(t, f, ...of).replaceAll('\u00a0', ' ');

describe('how far off forecasts were', () => {
  it('is said with its lean, beside the plainest forecast', () => {
    const naive = { wapePercent: 15.2, biasPercent: 0 };
    expect(say('smoothed', { wapePercent: 11.3, biasPercent: 2.4 }, naive)).toBe(
      'Last 8 weeks: off by 11 % on average, 2 % too high. The same weekday of the week before would have been off by 15 %.',
    );
    expect(say('smoothed', { wapePercent: 11, biasPercent: -3 }, naive)).toContain('3 % too low');
    expect(say('smoothed', { wapePercent: 11, biasPercent: 0.2 }, naive)).toContain(
      'neither high nor low',
    );
  });

  it('says when the plainest is used, and when there is too little to look back on', () => {
    const error = { wapePercent: 9, biasPercent: 1 };
    expect(say('naive', error, error)).toContain('so it is used');
    expect(say('short', null, null)).toContain('too short');
  });
});
