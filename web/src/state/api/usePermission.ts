import { may, type Deed } from '@calm/contract';
import { useSessionQuery } from './api';
import { useHouse } from '../board/useBoard';

/** Whether whoever is signed in may do something; the server asks once more. */
export function useMay(deed: Deed): boolean {
  const { data } = useSessionQuery(useHouse());
  return data !== undefined && may(data.role, deed);
}
