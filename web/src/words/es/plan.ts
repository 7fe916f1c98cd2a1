import week from '@calm/domain/words/es/week.json' with { type: 'json' };
import plan from './plan.json' with { type: 'json' };

/** What the plan says, and what is wrong with a week. */
export const words = { ...plan, weekFaults: week.weekFaults };
