import practice from './practice.json' with { type: 'json' };
import readiness from './readiness.json' with { type: 'json' };

/** The words of practice, with what is asked of people before they are planned alone. */
export const words = { ...practice, ...readiness };
