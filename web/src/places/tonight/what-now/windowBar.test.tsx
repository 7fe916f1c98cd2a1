import { describe, expect, it } from '@jest/globals';
import { screen } from '@testing-library/react';
import { renderInApp } from '../../../test-support/render';
import { WindowBar } from './WindowBar';

const NOW_MS = Date.parse('2026-11-25T12:00:00Z');
const at = (hour: number) => NOW_MS + hour * 3_600_000;
const span = (from: number, to: number) => ({ startMs: at(from), endMs: at(to) });

describe('when it opens, as it is and as it would be', () => {
  const show = (before: ReturnType<typeof span> | null, after: ReturnType<typeof span> | null) => {
    renderInApp(<WindowBar fromMs={NOW_MS} services={[span(4, 8)]} {...{ before, after }} />);
    const picture = screen.getByRole('img');
    const bars = [...picture.querySelectorAll('rect')].map((rect) => ({
      x: Number(rect.getAttribute('x')),
      width: Number(rect.getAttribute('width')),
    }));
    return { picture, bars };
  };

  it('is said in words, and drawn to one scale from now on', () => {
    const { picture, bars } = show(span(-2, 2), span(3, 7));
    expect(picture).toHaveAccessibleName(/^Opens well: .* to .*\. As it is: .* to .*$/);
    const [service, after, before] = bars;
    expect(after?.width).toBeCloseTo(service?.width ?? 0, 6);
    // What is past is not drawn: it is as long as what is left of it.
    expect(before?.width).toBeCloseTo((after?.width ?? 0) / 2, 6);
    expect(before?.x).toBeLessThan(after?.x ?? 0);
  });

  it('goes on as far as those beside it', () => {
    const { bars } = show(null, span(3, 7));
    renderInApp(
      <WindowBar
        fromMs={NOW_MS}
        untilMs={at(16)}
        services={[span(4, 8)]}
        before={null}
        after={span(3, 7)}
      />,
    );
    const far = screen.getAllByRole('img')[1]?.querySelectorAll('rect')[1];
    expect(Number(far?.getAttribute('width'))).toBeCloseTo((bars[1]?.width ?? 0) / 2, 6);
  });

  it('draws nothing of what never opens, and says so', () => {
    const { picture, bars } = show(null, null);
    expect(picture).toHaveAccessibleName('Opens well: not at all. As it is: not at all');
    expect(bars).toHaveLength(1);
  });
});
