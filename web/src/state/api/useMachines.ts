import type { Machine, MachineKind, MachineStart } from '@calm/contract';
import { useIssueMachineMutation, useMachinesQuery, useRevokeMachineMutation } from './machinesApi';
import { usePermission } from './usePermission';
import { useHouse } from '../board/useBoard';

/** What `Machines` shows and does, of one kind of machine; null for whoever may not let any in. */
export function useMachines(kind: MachineKind): {
  readonly kind: MachineKind;
  readonly machines: readonly Machine[];
  /** @returns the token @throws what the house answered */
  readonly issue: (start: MachineStart) => Promise<string>;
  readonly revoke: (id: string) => Promise<unknown>;
} | null {
  const house = useHouse();
  const mayLetIn = usePermission('crew');
  const { data } = useMachinesQuery(house, { skip: !mayLetIn });
  const [issue] = useIssueMachineMutation();
  const [revoke] = useRevokeMachineMutation();
  if (!data || !mayLetIn) return null;
  return {
    kind,
    machines: data.filter((machine) => machine.kind === kind),
    issue: async (start) => (await issue({ house, start }).unwrap()).token,
    revoke: (id) => revoke({ house, id }).unwrap(),
  };
}
