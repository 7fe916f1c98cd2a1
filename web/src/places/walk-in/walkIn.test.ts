import { describe, expect, it } from '@jest/globals';
import readSquare from 'jsqr';
import QRCode from 'qrcode';
import { isBetween } from '../../shell/rail/quietHours';
import { addressOfTrays, codeIn } from '../../state/board/trayCode';
import { isMoved } from './coldWords';
import { loadInWays } from './load-in/loadInChoices';
import { roundDue } from './air/roundDue';
import { timesIn } from './timesIn';
import { formats } from '../../test-support/words';
import { spotsWords, spotWords } from './spotWords';

describe('a tray’s label', () => {
  const address = addressOfTrays('http://127.0.0.1:4180', 'lantern-yard', 'YR-1124-A');

  it('gives its lot’s code, read or typed', () => {
    expect(codeIn(address)).toBe('YR-1124-A');
    expect(codeIn('  yr-1124-a ')).toBe('YR-1124-A');
    expect(codeIn('http://x/y/walk-in?place=1&lot=SL%2D1&z=2')).toBe('SL-1');
  });

  it('is read from its square as a camera sees it', () => {
    const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' });
    const [cell, quiet] = [4, 4];
    const width = (modules.size + 2 * quiet) * cell;
    const pixels = new Uint8ClampedArray(width * width * 4).fill(255);
    for (let y = 0; y < width; y += 1) {
      for (let x = 0; x < width; x += 1) {
        const [column, row] = [Math.floor(x / cell) - quiet, Math.floor(y / cell) - quiet];
        const isIn = Math.min(column, row) >= 0 && Math.max(column, row) < modules.size;
        if (isIn && modules.get(row, column))
          pixels.fill(0, (y * width + x) * 4, (y * width + x) * 4 + 3);
      }
    }
    expect(codeIn(readSquare(pixels, width, width)?.data ?? '')).toBe('YR-1124-A');
  });
});

describe('positions in words', () => {
  it('name one, and those that follow each other as a stretch', () => {
    expect(spotWords({ zone: 'back', position: 5 })).toBe('back 5');
    const spots = [7, 5, 6, 9].map((position) => ({ zone: 'back', position }));
    expect(spotsWords(formats, [...spots, { zone: 'door', position: 1 }])).toBe(
      'back 5–7, back 9, door 1',
    );
    expect(spotsWords(formats, [])).toBe('');
  });
});

describe('a round by hand', () => {
  const rounds = [600, 960];
  it('is due from its time until somebody has taken it, a little early too', () => {
    expect(roundDue(rounds, [], 620)).toEqual({ kind: 'due', atMin: 600 });
    expect(roundDue(rounds, [570], 620)).toEqual({ kind: 'next', atMin: 960 });
    expect(roundDue(rounds, [400], 620)).toEqual({ kind: 'due', atMin: 600 });
    expect(roundDue(rounds, [601], 970)).toEqual({ kind: 'due', atMin: 960 });
    expect(roundDue(rounds, [601, 970], 1000)).toEqual({ kind: 'next', atMin: 600 });
    expect(roundDue([], [], 620)).toEqual({ kind: 'none' });
  });

  it('is set by times as people write them', () => {
    expect(timesIn('10:00, 16.30; 7:05')).toEqual([600, 990, 425]);
    expect(timesIn('')).toEqual([]);
    expect(timesIn('ten')).toBeNull();
    expect(timesIn('25:00')).toBeNull();
  });
});

describe('quiet hours', () => {
  it('go on past midnight', () => {
    expect([1410, 0, 200, 360, 720].map((minute) => isBetween(minute, 1410, 360))).toEqual([
      true,
      true,
      true,
      false,
      false,
    ]);
    expect(isBetween(600, 540, 660)).toBe(true);
    expect(isBetween(700, 540, 660)).toBe(false);
  });
});

describe('a window', () => {
  it('has moved when either end is a quarter of an hour off', () => {
    const at = (fromMin: number, untilMin: number) => ({
      fromMs: fromMin * 60_000,
      untilMs: untilMin * 60_000,
    });
    expect(isMoved(at(0, 100), at(14, 100))).toBe(false);
    expect(isMoved(at(0, 100), at(15, 100))).toBe(true);
    expect(isMoved(at(0, 100), at(0, 84))).toBe(true);
  });
});

describe('ways of loading in', () => {
  it('bring in every tray, however they are split', () => {
    for (const trays of [1, 2, 7, 20]) {
      for (const { goes } of loadInWays(trays, 2)) {
        expect(goes.reduce((sum, go) => sum + go.trays, 0)).toBe(trays);
        expect(goes.every((go) => go.trays > 0)).toBe(true);
      }
    }
    expect(loadInWays(1, 2).map(({ name }) => name)).toEqual(['once', 'stacked']);
  });
});
