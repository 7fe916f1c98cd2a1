import type { AuditChange } from '@calm/contract';
import { describe, expect, it } from '@jest/globals';
import { screen } from '@testing-library/react';
import { renderInApp } from '../../../test-support/render';
import { AuditChanges } from './AuditChanges';

describe('a line of who did what', () => {
  it('shows each field before and after', () => {
    const change: AuditChange = {
      what: 'count',
      id: 'x',
      before: { count: 60 },
      after: { count: 80 },
    };
    renderInApp(<AuditChanges changes={[change]} />);
    expect(screen.getByText('1 change')).toBeTruthy();
    expect(screen.getByText('60').tagName).toBe('DEL');
    expect(screen.getByText('80').tagName).toBe('INS');
  });
});
