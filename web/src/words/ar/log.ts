import review from '@calm/domain/words/ar/review.json' with { type: 'json' };
import log from './log.json' with { type: 'json' };

/** What the log says, and a week's review. */
export const words = { ...log, ...review };
