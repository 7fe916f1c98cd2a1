import { deviceStorage } from '../../../../state/storage';

/** Whether the coach speaks after each decision, rather than only afterwards. */
export const coachWanted = deviceStorage<boolean>('calm.practice.coach', true, (stored) =>
  typeof stored === 'boolean' ? stored : null,
);
