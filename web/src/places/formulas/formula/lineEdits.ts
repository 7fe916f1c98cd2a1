import { withPercent, type EditKey, type EditLine, type Formula, type Pantry } from '@calm/core';

export const canGo = (line: EditLine, formula: Formula) =>
  line.kind === 'addition' || (line.kind === 'flour' && formula.flours.length > 1);

export function without(formula: Formula, key: EditKey): Formula {
  if (key.kind === 'flour') {
    const emptied = withPercent(formula, key, 0);
    return { ...emptied, flours: emptied.flours.filter((_, i) => i !== key.index) };
  }
  if (key.kind !== 'addition') return formula;
  return { ...formula, additions: (formula.additions ?? []).filter((_, i) => i !== key.index) };
}

const NEW_FLOUR_PERCENT = 10;

/** A flour of the pantry that is not in it yet, a tenth of the blend. */
export function withFlour(formula: Formula, pantry: Pantry): Formula {
  const names = formula.flours.map(({ name }) => name);
  const next = pantry.find((thing) => thing.strengthW !== undefined && !names.includes(thing.name));
  const name = next?.name ?? `flour ${names.length + 1}`;
  const flours = [...formula.flours, { name, percent: 0, ...(next && strengthOf(next)) }];
  const key = { kind: 'flour', index: flours.length - 1 } as const;
  return withPercent({ ...formula, flours }, key, NEW_FLOUR_PERCENT);
}

export function withAddition(formula: Formula, name: string): Formula {
  const additions = formula.additions ?? [];
  const taken = additions.some((addition) => addition.name === name);
  const own = taken ? `${name} ${additions.length + 1}` : name;
  return { ...formula, additions: [...additions, { name: own, percent: 1 }] };
}

/** The thing under its new name, with what the pantry knows of that. */
export function renamed(
  formula: Formula,
  key: { readonly kind: 'flour' | 'addition'; readonly index: number },
  name: string,
  pantry: Pantry,
): Formula {
  const known = pantry.find((thing) => thing.name === name);
  if (key.kind === 'flour') {
    const flours = formula.flours.map((flour, i) =>
      i === key.index ? { name, percent: flour.percent, ...(known && strengthOf(known)) } : flour,
    );
    return { ...formula, flours };
  }
  const additions = (formula.additions ?? []).map((addition, i) =>
    i === key.index
      ? {
          name,
          percent: addition.percent,
          ...(known?.composition && { composition: known.composition }),
        }
      : addition,
  );
  return { ...formula, additions };
}

function strengthOf({ strengthW, proteinPercent, branPercent }: Pantry[number]) {
  return {
    ...(strengthW !== undefined && { strengthW }),
    ...(proteinPercent !== undefined && { proteinPercent }),
    ...(branPercent !== undefined && { branPercent }),
  };
}
