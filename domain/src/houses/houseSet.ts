import type {
  FileFormula,
  HouseSettings,
  MixerContent,
  PantryItem,
  PlaceContent,
  ProductContent,
  RouteContent,
} from '@calm/contract';
import type { Skill } from '@calm/core';

/** A whole house to begin from. What refers to something else names it. */
export interface HouseSet {
  /** Where it differs from what every house begins with. */
  readonly settings: Partial<HouseSettings>;
  readonly mixers: readonly Omit<MixerContent, 'outOfOrder'>[];
  readonly places: readonly PlaceContent[];
  readonly pantry: readonly Omit<PantryItem, 'id' | 'version'>[];
  readonly routes: readonly RouteContent[];
  readonly formulas: readonly (Required<FileFormula> & { readonly mixer: string })[];
  readonly products: readonly (Omit<ProductContent, 'formulaId' | 'routeId'> & {
    readonly formula: string;
    readonly route: string;
  })[];
  readonly services: readonly SetService[];
  /** What its owner can do, and when they are in, until they say otherwise. */
  readonly owner: { readonly skills: readonly Skill[]; readonly shifts: readonly SetShift[] };
}

/** A service on some weekdays, with the balls of each product that usually go. */
interface SetService {
  readonly name: string;
  readonly weekdays: readonly number[];
  readonly startMin: number;
  readonly endMin: number;
  readonly usual: Readonly<Record<string, number>>;
}

interface SetShift {
  readonly weekdays: readonly number[];
  readonly startMin: number;
  readonly endMin: number;
}
