import type { Permission } from '@calm/contract';
import type { ReactNode } from 'react';
import { EditingContext } from '../../parts/fields/editing';
import { usePermission } from '../api/usePermission';

/** What stands inside can be changed by whoever has a permission; everybody else reads it. */
export function EditingBy({
  permission,
  children,
}: {
  readonly permission: Permission;
  readonly children: ReactNode;
}) {
  return <EditingContext value={usePermission(permission)}>{children}</EditingContext>;
}
