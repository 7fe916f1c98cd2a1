import type { Ingredient, LearnedResidue, Skill } from '@calm/core';
import type { FormerPerson } from '../access/crew';
import type { Role } from '../access/permissions';
import type { Place } from './kitchen';
import type { Mixer } from './mixer';
import type { FormulaRecord, RouteRecord } from '../book/formula';
import type { Product } from '../book/product';
import type { House } from './house';
import type { RetiredRecords } from './retirement';

/** Something the house buys. */
export interface PantryItem extends Ingredient {
  readonly id: string;
  readonly version: number;
}

/** Someone on the crew. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
  readonly skills: readonly Skill[];
  readonly role: Role;
}

/** What a house's own lots say about losses; null where too few were weighed. */
export interface LearnedLosses {
  readonly residue: LearnedResidue | null;
  readonly trims: readonly {
    readonly productId: string;
    readonly percent: number;
    readonly lots: number;
  }[];
}

/** A house that has weighed nothing yet. */
export const NO_LOSSES: LearnedLosses = { residue: null, trims: [] };

/** What changes seldom: everything a device needs to know about a house before a day. */
export interface HouseBook {
  readonly house: House;
  readonly products: readonly Product[];
  readonly formulas: readonly FormulaRecord[];
  readonly routes: readonly RouteRecord[];
  readonly mixers: readonly Mixer[];
  readonly places: readonly Place[];
  /** What the house buys. */
  readonly pantry: readonly PantryItem[];
  /** What the log says stays behind and is trimmed off. */
  readonly losses: LearnedLosses;
  readonly people: readonly Person[];
  /** What the house offered before: what is on record may name it. */
  readonly retired: RetiredRecords;
  /** Whoever was on the crew before. */
  readonly formerPeople: readonly FormerPerson[];
}

/** One person's shift on one day. Instants are ISO 8601, UTC. */
export interface Shift {
  readonly personId: string;
  readonly startsAt: string;
  readonly endsAt: string;
}
