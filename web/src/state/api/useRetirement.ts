import type { Retirable } from '@calm/contract';
import type { Retirement } from '../../parts/retired/retirement';
import { useBringBackMutation, useRetireMutation } from './retirementApi';
import { useHouse } from '../board/useBoard';

/** The retirement of one kind of record in the house at hand. */
export function useRetirement(kind: Retirable): Retirement {
  const house = useHouse();
  const [retire] = useRetireMutation();
  const [bringBack] = useBringBackMutation();
  return {
    kind,
    retire: (id) => retire({ house, retirable: kind, id }).unwrap(),
    bringBack: (id) => bringBack({ house, retirable: kind, id }).unwrap(),
  };
}
