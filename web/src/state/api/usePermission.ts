import { hasPermission, type Permission } from '@calm/contract';
import { useSessionQuery } from './api';
import { useHouse } from '../board/useBoard';

/** Whether whoever is signed in may do something; the server asks once more. */
export function usePermission(permission: Permission): boolean {
  const { data } = useSessionQuery(useHouse());
  return data !== undefined && hasPermission(data.role, permission);
}
