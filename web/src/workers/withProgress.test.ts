import { describe, expect, it } from '@jest/globals';
import { withProgress } from './withProgress';

describe('what a worker tells on its way', () => {
  it('is told until its answer came, and not after', async () => {
    const told: number[] = [];
    let late: (share: number) => void = () => undefined;
    const answer = await withProgress(
      (tell: (share: number) => void) => {
        tell(0.5);
        late = tell;
        return Promise.resolve('done');
      },
      (share) => told.push(share),
    );
    late(0.9);
    expect(answer).toBe('done');
    expect(told).toEqual([0.5]);
  });

  it('is not told after it failed either', async () => {
    const told: number[] = [];
    let late: (share: number) => void = () => undefined;
    const asked = withProgress(
      (tell: (share: number) => void) => {
        late = tell;
        return Promise.reject(new Error('no'));
      },
      (share) => told.push(share),
    );
    await expect(asked).rejects.toThrow('no');
    late(0.9);
    expect(told).toEqual([]);
  });
});
