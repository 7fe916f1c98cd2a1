import type { LoadInWay } from '@calm/core';

/** The ways that are compared: at once or in two goes, spaced or stacked. @param apartH between two goes */
export function loadInWays(trays: number, apartH: number): LoadInWay[] {
  const first = Math.ceil(trays / 2);
  const once = [{ afterH: 0, trays }];
  const twice = [
    { afterH: 0, trays: first },
    { afterH: apartH, trays: trays - first },
  ];
  return [
    { name: 'once', container: 'lidded-tray', goes: once },
    { name: 'stacked', container: 'stacked-tray', goes: once },
    ...(trays > 1 ? [{ name: 'twice', container: 'lidded-tray', goes: twice } as const] : []),
  ];
}
