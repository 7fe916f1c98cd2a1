import type { ReactNode } from 'react';
import { WaitingPage } from '../../parts/layout/WaitingPage';
import { Failed } from '../../parts/messages/Failed';
import { useBoard, type Board } from '../../state/board/useBoard';

/** A page that needs the board: it waits for it, and says so when it cannot be had. */
export function WithBoard({ children }: { readonly children: (board: Board) => ReactNode }) {
  const { board, error, retry } = useBoard();
  if (error && !board) return <Failed error={error} onRetry={retry} />;
  return board ? children(board) : <WaitingPage />;
}
