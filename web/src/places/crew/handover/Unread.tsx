import { useHandoversQuery, useSessionQuery } from '../../../state/api/api';
import type { Board } from '../../../state/board/useBoard';
import { HandoverCard } from './HandoverCard';

/** The last shift's word, until somebody of this one has read it. */
export function Unread({ house, board }: { readonly house: string; readonly board: Board }) {
  const { data = [] } = useHandoversQuery(house);
  const { data: me } = useSessionQuery(house);
  const [latest] = data;
  if (!latest || latest.read || latest.personId === me?.personId) return null;
  return <HandoverCard board={board} handover={latest} />;
}
