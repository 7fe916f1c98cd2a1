import type { StarterSetName } from '@calm/contract';
import { cornerShop } from './cornerShop';
import type { HouseSet } from './houseSet';
import { mobileOven } from './mobileOven';
import { panAndSlice } from './panAndSlice';
import { restaurant } from './restaurant';

const SETS: Readonly<Record<StarterSetName, HouseSet>> = {
  'corner-shop': cornerShop,
  restaurant,
  'pan-and-slice': panAndSlice,
  'mobile-oven': mobileOven,
};

/** A made-up house to begin from. */
export const starterSet = (name: StarterSetName): HouseSet => SETS[name];
