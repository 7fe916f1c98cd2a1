import { paths } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import { liveTags } from './liveTags';

const within = (path: string) => path.replace(/^\/api\/v1\/houses\/[^/]+/, '');

describe('what a write touches', () => {
  it.each([
    [paths.note('yard', 'a-lot'), 'Lots'],
    [paths.mark('yard', 'a-lot', 1, 'mix'), 'Lots'],
    [paths.count('yard', '2026-11-25', 'p', 'q'), 'Services'],
    [paths.sale('yard', '2026-11-25', 'p', 'q'), 'Sales'],
    [paths.till('yard'), 'Sales'],
    [paths.salesImports('yard'), 'Sales'],
    [paths.plan('yard'), 'Plan'],
    [paths.bookings('yard', 'x'), 'Calendar'],
    [paths.shiftExceptions('yard', 'x'), 'Shifts'],
    [paths.secret('yard', 'x'), 'Crew'],
    [paths.formula('yard', 'slab-dough'), 'Versions'],
    [paths.places('yard', 'x'), 'Book'],
    [paths.imports('yard'), 'Book'],
  ])('%s: %s', (path, tag) => {
    expect(liveTags(within(path))).toContain(tag);
  });

  it('is little of a lot that is written often: no weight on a scale has the book read anew', () => {
    expect(liveTags(within(paths.lotRecords('yard', 'a-lot')))).toEqual(['Records', 'Log', 'Cold']);
    expect(liveTags(within(paths.mark('yard', 'a-lot', 1, 'mix')))).not.toContain('Frictions');
    expect(liveTags(within(paths.mark('yard', 'a-lot', 1, 'mix')))).not.toContain('Cold');
    expect(liveTags(within(paths.mark('yard', 'a-lot', 0, '5-chill')))).toContain('Cold');
    expect(liveTags(within(paths.handovers('yard')))).toEqual(['Handovers']);
    for (const path of [
      paths.readings('yard'),
      paths.alarm('yard', 'x'),
      paths.coldNotes('yard'),
    ]) {
      expect(liveTags(within(path))).toEqual(['Cold']);
    }
  });

  it('is nothing when somebody comes or goes', () => {
    expect(liveTags(within(paths.session('yard')))).toEqual([]);
  });

  it('is everything that may be meant when the address is not known', () => {
    expect(liveTags('/ovens')).toEqual(expect.arrayContaining(['Book', 'Sales']));
  });
});
