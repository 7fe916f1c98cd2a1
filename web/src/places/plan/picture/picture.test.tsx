import type { Conflict, PlannedLot, PlannedStep, StepRef } from '@calm/core';
import type { PlanContent } from '@calm/contract';
import { describe, expect, it, jest } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import { useRef, type ReactNode } from 'react';
import { renderInApp } from '../../../test-support/render';
import type { PlanEditing } from '../editing/usePlanEditing';
import { clashingSteps, pinnedSteps, stepName } from './stepMarks';
import { useBeadDrag } from './useBeadDrag';
import { timeScale } from './planLayout';
import { PublishedMarks, Waves } from './LotMarks';
import type { PlanLayout } from './usePlanLayout';
import type { PlanWords } from '../planWords';
import { formats as f, t } from '../../../test-support/words';
import type { SimulatedPlanLot } from '../../../workers/plan/planAnswers';

const NOW_MIN = 600;
const step = (stage: number, startMin: number, serviceId: string | null = null): PlannedStep => ({
  stage,
  key: 'mix',
  skill: 'mix',
  startMin,
  endMin: startMin + 30,
  personIds: ['maro', 'tilde'],
  mixerId: null,
  serviceId,
});
const lot: PlannedLot = {
  id: 'yard',
  doughId: 'yard',
  serviceIds: ['dinner'],
  mixerId: 'spiral',
  loads: 1,
  doughKg: 10,
  steps: [step(0, 540), step(1, 900), step(3, 1200, 'dinner')],
  rests: [
    {
      stage: 2,
      key: 'cold',
      place: 'Walk-in',
      container: 'lidded-tray',
      startMin: 930,
      endMin: 1200,
      trays: 8,
      tubs: 0,
      serviceId: null,
    },
  ],
  cost: { quality: 0, unsocial: 0, mix: 0, change: 0 },
};
const ref = (stage: number, serviceId: string | null = null): StepRef => ({
  lotId: lot.id,
  stage,
  serviceId,
});
const content: PlanContent = { lots: [lot], pins: [ref(1)], assumptions: [] };

describe('marks of steps', () => {
  it('name both of two steps that clash, and every one at a full bench', () => {
    const when = { startMin: 900, endMin: 930 };
    const conflicts: Conflict[] = [
      { kind: 'person-twice', personId: 'maro', step: ref(1), other: ref(3, 'dinner'), when },
      { kind: 'bench-full', people: 4, room: 3, when, steps: [{ ...ref(0), lotId: 'slab' }] },
      { kind: 'open', doughId: 'yard', serviceId: 'lunch' },
    ];
    const marks = clashingSteps(conflicts);
    expect([...(marks.get('yard') ?? [])]).toEqual(['1/', '3/dinner']);
    expect([...(marks.get('slab') ?? [])]).toEqual(['0/']);
  });

  it('name what is pinned, and tell steps of one stage for two services apart', () => {
    const pinned = pinnedSteps([lot], content).get('yard');
    expect(lot.steps.map((each) => pinned?.has(stepName(each)))).toEqual([false, true, false]);
    expect(stepName(step(3, 0, 'lunch'))).not.toBe(stepName(step(3, 0, 'dinner')));
  });
});

/** Strips below the lanes: Tilde’s at 100–130, the under-counter’s at 140–170. */
const strips: PlanLayout['strips'] = [
  { strip: { kind: 'person', id: 'ossian', height: 30 }, y: 100 },
  { strip: { kind: 'place', id: 'Under-counter', height: 30 }, y: 140 },
];

describe('a bead in hand', () => {
  function picture() {
    const none = () => undefined;
    const editing = {
      trial: jest.fn<PlanEditing['trial']>(() => [lot]),
      move: jest.fn<PlanEditing['move']>(),
      give: jest.fn<PlanEditing['give']>(),
      putIn: jest.fn<PlanEditing['putIn']>(),
      togglePin: jest.fn<PlanEditing['togglePin']>(),
      nudge: jest.fn<PlanEditing['nudge']>(),
      pin: none,
      applyFix: none,
      assumption: none,
      take: none,
      improve: none,
      undo: null,
      redo: null,
      drop: none,
    };
    const onHold = jest.fn<(inHand: object | null) => void>();
    const onPick = jest.fn<(step: StepRef) => void>();
    // One pixel is one minute.
    const scale = timeScale(0, 1440 * 60_000, 0, 1440);
    function Page() {
      const svg = useRef<SVGSVGElement>(null);
      const { target, hands, onMove, onDrop } = useBeadDrag({
        svg,
        week: { lots: [lot], content, nowMin: NOW_MIN },
        layout: { scale, strips },
        editing,
        onPick,
        onHold,
      });
      return (
        <svg ref={svg} data-testid="picture" onPointerMove={onMove} onPointerUp={onDrop}>
          <g onPointerDown={(event) => hands.onGrabLot(lot.id, event)} data-testid="ribbon" />
          {lot.steps.map((each) => (
            <g
              key={each.stage}
              data-testid={`bead-${each.stage}`}
              onPointerDown={(event) => hands.onGrab({ ...ref(each.stage), ...each }, event)}
            />
          ))}
          <text>{target}</text>
        </svg>
      );
    }
    SVGElement.prototype.setPointerCapture = none;
    renderInApp(<Page />);
    // The test's browser has no pointer events of its own: a mouse event by their name has all they need.
    const point = (type: string, on: Element, clientX: number, clientY: number) =>
      fireEvent(on, new MouseEvent(type, { bubbles: true, clientX, clientY }));
    const whole = screen.getByTestId('picture');
    return {
      editing,
      onHold,
      grab: (id: string, x: number, y = 10) => point('pointerdown', screen.getByTestId(id), x, y),
      move: (x: number, y = 10) => point('pointermove', whole, x, y),
      drop: (x: number, y = 10) => point('pointerup', whole, x, y),
      target: () => whole.querySelector('text')?.textContent,
    };
  }

  it('moves along time in steps of five minutes, tried while it is held', () => {
    const { grab, move, drop, editing, onHold } = picture();
    grab('bead-1', 900);
    move(933);
    expect(editing.trial).toHaveBeenLastCalledWith(expect.objectContaining(ref(1)), 935);
    expect(onHold).toHaveBeenLastCalledWith(expect.objectContaining({ of: content }));
    drop(933);
    expect(editing.move).toHaveBeenCalledWith(expect.objectContaining(ref(1)), 935);
  });

  it('stays where it is when it was only tapped', () => {
    const { grab, move, drop, editing, onHold } = picture();
    grab('bead-1', 900);
    move(903);
    drop(903);
    expect(editing.move).not.toHaveBeenCalled();
    expect(onHold).toHaveBeenLastCalledWith(null);
  });

  it('that has begun cannot be taken in hand', () => {
    const { grab, move, drop, editing } = picture();
    grab('bead-0', 540);
    move(800);
    drop(800);
    expect(editing.trial).not.toHaveBeenCalled();
    expect(editing.move).not.toHaveBeenCalled();
  });

  it('dropped on a person’s strip is theirs, beside whoever else does it', () => {
    const { grab, move, drop, editing, target } = picture();
    grab('bead-1', 900);
    move(910, 110);
    expect(target()).toBe('person/ossian');
    drop(910, 110);
    expect(editing.give).toHaveBeenCalledWith(expect.objectContaining(ref(1)), ['tilde', 'ossian']);
    expect(editing.move).not.toHaveBeenCalled();
  });

  it('is not put into a place, nor a lot given to a person', () => {
    const { grab, move, drop, editing, target } = picture();
    grab('bead-1', 900);
    move(900, 150);
    expect(target()).toBe('');
    drop(900, 150);
    grab('ribbon', 1000);
    move(1000, 110);
    expect(target()).toBe('');
    drop(1000, 110);
    expect(editing.give).not.toHaveBeenCalled();
    expect(editing.putIn).not.toHaveBeenCalled();
  });

  it('a lot dropped on a place’s strip has its cold rest there', () => {
    const { grab, drop, editing } = picture();
    grab('ribbon', 1000);
    drop(1000, 150);
    expect(editing.putIn).toHaveBeenCalledWith('yard', 2, 'Under-counter');
  });
});

describe('what stands beside a ribbon', () => {
  const scale = timeScale(0, 1440 * 60_000, 0, 1440);
  const plain = (name: string) => name;
  const words: PlanWords = {
    t,
    f,
    person: plain,
    initials: plain,
    dough: plain,
    doughCode: plain,
    lot: ({ id }) => id,
    lotId: plain,
    service: plain,
    restOf: () => 'Cold',
    mixer: plain,
    product: plain,
    moment: (minute) => `at ${minute}`,
    time: (minute) => `at ${minute}`,
    step: ({ key }) => key,
  };
  const svg = (children: ReactNode) => renderInApp(<svg>{children}</svg>).container;

  it('waves that are near are one mark, with all their trays', () => {
    const wave = (minute: number, trays: number) => ({
      pullAt: new Date(minute * 60_000).toISOString(),
      readyAt: new Date((minute + 90) * 60_000).toISOString(),
      goodUntil: new Date((minute + 240) * 60_000).toISOString(),
      trays,
      balls: trays * 12,
    });
    const simulated: Pick<SimulatedPlanLot, 'waves'> = {
      waves: [
        {
          serviceId: 'dinner',
          productId: 'round',
          odds: null,
          waves: [wave(1000, 4), wave(1080, 2)],
        },
        {
          serviceId: 'dinner',
          productId: 'slab',
          odds: null,
          waves: [wave(1000, 1), wave(1090, 1)],
        },
        { serviceId: 'lunch', productId: 'round', odds: null, waves: [wave(700, 1), wave(760, 3)] },
      ],
    };
    const drawn = svg(<Waves {...{ simulated, scale, words }} serviceId="dinner" y={50} />);
    const marks = [...drawn.querySelectorAll('text')].map(({ textContent }) => textContent);
    expect(marks).toEqual(['3']);
    expect(drawn.querySelector('title')?.textContent).toMatch(/round.*slab/);
  });

  it('a draft shows where its steps stood, and nothing of those that stand there still', () => {
    const was = { ...lot, steps: lot.steps.map((each) => ({ ...each })) };
    const now = {
      ...lot,
      steps: lot.steps.map((each) =>
        each.stage === 1 ? { ...each, startMin: 960, endMin: 990 } : each,
      ),
    };
    const drawn = svg(<PublishedMarks {...{ was, scale, words }} lot={now} yOf={() => 20} />);
    const lines = [...drawn.querySelectorAll('line')].map((line) => [
      line.getAttribute('x1'),
      line.getAttribute('x2'),
    ]);
    expect(lines).toEqual([['915', '975']]);
  });
});
