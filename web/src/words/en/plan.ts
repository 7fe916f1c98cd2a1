import week from '@calm/domain/words/en/week.json' with { type: 'json' };
import plan from './plan.json' with { type: 'json' };
import readiness from './readiness.json' with { type: 'json' };

/** What the plan says, who is not ready for it, and what is wrong with a week. */
export const words = { ...plan, ...readiness, weekFaults: week.weekFaults };
