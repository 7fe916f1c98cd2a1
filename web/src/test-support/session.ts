import type { Session } from '@calm/contract';

/** A dough hand who is signed in and reads as their house does. */
export const TILDE: Session = {
  id: 'this-morning',
  personId: 'tilde',
  name: 'Tilde',
  initials: 'TI',
  role: 'hand',
  preferences: null,
};
