import { useEffect, useRef, useState } from 'react';

/** Every other frame is left to whatever else is going on. */
const FRAMES_PER_TURN = 2;

/**
 * The newest value for several viewers, handed to one of them at a time: dear pictures that follow
 * something that is dragged then share a frame's time instead of all claiming it at once.
 *
 * @param count viewers
 */
export function useInTurns<Value>(value: Value, count: number): readonly Value[] {
  const [shown, setShown] = useState<readonly Value[]>(() =>
    Array.from({ length: count }, () => value),
  );
  const newest = useRef(value);
  const held = useRef(shown);
  const turn = useRef(0);
  const frame = useRef(0);

  useEffect(() => {
    newest.current = value;
    if (frame.current !== 0) return;
    const next = () => {
      const isDone = held.current.every((each) => each === newest.current);
      if (isDone) {
        frame.current = 0;
        return;
      }
      const mine = turn.current / FRAMES_PER_TURN;
      turn.current = (turn.current + 1) % (count * FRAMES_PER_TURN);
      if (Number.isInteger(mine)) {
        held.current = held.current.map((each, i) => (i === mine ? newest.current : each));
        setShown(held.current);
      }
      frame.current = requestAnimationFrame(next);
    };
    frame.current = requestAnimationFrame(next);
  }, [value, count]);
  useEffect(
    () => () => {
      cancelAnimationFrame(frame.current);
      frame.current = 0;
    },
    [],
  );
  return shown;
}
