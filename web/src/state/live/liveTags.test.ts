import { paths } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import { liveTags } from './liveTags';

const within = (path: string) => path.replace(/^\/api\/v1\/houses\/[^/]+/, '');

describe('what a write touches', () => {
  it.each([
    [paths.changeNote('yard', 'a-lot'), 'Lots'],
    [paths.changeMark('yard', 'a-lot', 1, 'mix'), 'Lots'],
    [paths.changeCount('yard', '2026-11-25', 'p', 'q'), 'Services'],
    [paths.changeSale('yard', '2026-11-25', 'p', 'q'), 'Sales'],
    [paths.recordTillSales('yard'), 'Sales'],
    [paths.importSales('yard'), 'Sales'],
    [paths.plan('yard'), 'Plan'],
    [paths.changeBooking('yard', 'x'), 'Calendar'],
    [paths.changeShiftException('yard', 'x'), 'Shifts'],
    [paths.changeSecret('yard', 'x'), 'Crew'],
    [paths.saveFormula('yard', 'slab-dough'), 'Versions'],
    [paths.changePlace('yard', 'x'), 'Book'],
    [paths.importBook('yard'), 'Book'],
  ])('%s: %s', (path, tag) => {
    expect(liveTags(within(path))).toContain(tag);
  });

  it('is little of a lot that is written often: no weight on a scale has the book read again', () => {
    expect(liveTags(within(paths.lotRecords('yard', 'a-lot')))).toEqual([
      'Lots',
      'Records',
      'Log',
      'Cold',
    ]);
    expect(liveTags(within(paths.changeMark('yard', 'a-lot', 1, 'mix')))).not.toContain(
      'Frictions',
    );
    expect(liveTags(within(paths.changeMark('yard', 'a-lot', 1, 'mix')))).not.toContain('Cold');
    expect(liveTags(within(paths.changeMark('yard', 'a-lot', 0, '5-chill')))).toContain('Cold');
    expect(liveTags(within(paths.handovers('yard')))).toEqual(['Handovers']);
    for (const path of [
      paths.addReadings('yard'),
      paths.acknowledgeAlarm('yard', 'x'),
      paths.addColdNote('yard'),
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
