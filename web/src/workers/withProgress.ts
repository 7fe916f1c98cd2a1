import { proxy, type ProxyMarked } from 'comlink';

/**
 * Asks a worker for something that it tells the progress of. What it tells takes another way than its answer and may
 * come after it: by then it is told to nobody.
 *
 * @param ask handed what the worker tells its progress to
 * @param onProgress told as long as the answer has not come
 */
export async function withProgress<Progress, Answer>(
  ask: (tell: ((progress: Progress) => void) & ProxyMarked) => Promise<Answer>,
  onProgress: (progress: Progress) => void,
): Promise<Answer> {
  let isOver = false;
  const tell = (progress: Progress) => {
    if (!isOver) onProgress(progress);
  };
  try {
    return await ask(proxy(tell));
  } finally {
    isOver = true;
  }
}
