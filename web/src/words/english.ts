import weekWords from '@calm/domain/words/week.en.json' with { type: 'json' };
import shared from '@calm/domain/words/en.json' with { type: 'json' };
import crew from './en/crew.json' with { type: 'json' };
import demand from './en/demand.json' with { type: 'json' };
import formulas from './en/formulas.json' with { type: 'json' };
import log from './en/log.json' with { type: 'json' };
import mix from './en/mix.json' with { type: 'json' };
import places from './en/places.json' with { type: 'json' };
import plan from './en/plan.json' with { type: 'json' };
import shell from './en/shell.json' with { type: 'json' };
import tonight from './en/tonight.json' with { type: 'json' };
import walkIn from './en/walkIn.json' with { type: 'json' };
import work from './en/work.json' with { type: 'json' };

/** All English wording. A kitchen's other languages follow as catalogues of the same shape. */
export const english = {
  ...shared,
  ...shell,
  ...work,
  ...places,
  tonight,
  crew,
  demand,
  plan,
  weekFaults: weekWords.faults,
  mix,
  formulas,
  log,
  walkIn,
};
