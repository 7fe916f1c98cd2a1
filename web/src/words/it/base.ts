import alarm from '@calm/domain/words/it/alarm.json' with { type: 'json' };
import outcome from '@calm/domain/words/it/outcome.json' with { type: 'json' };
import trade from '@calm/domain/words/it/trade.json' with { type: 'json' };
import shell from './shell.json' with { type: 'json' };
import work from './work.json' with { type: 'json' };

/** What every page says. */
export const words = { ...alarm, ...outcome, ...trade, ...shell, ...work };
