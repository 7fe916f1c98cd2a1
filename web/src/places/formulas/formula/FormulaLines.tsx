import CloseIcon from '@mui/icons-material/Close';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import {
  editLines,
  G_PER_LITRE_OF_WATER,
  totalPercent,
  withGrams,
  withPercent,
  withPerLitre,
  YEAST_FORMS,
  type EditKey,
  type EditLine,
  type Formula,
  type LineKind,
  type Pantry,
  type YeastForm,
} from '@calm/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useFormats } from '../../../parts/format/format';
import { NumberCell } from '../../../parts/fields/NumberCell';
import styles from './FormulaLines.module.css';
import { lineName } from './lineName';

/** Total flour = 100, or everything per litre of water: two ways to count one formula. */
type Base = 'flour' | 'litre';

/** The most of each that any dough has, percent of flour: catches slips of the finger. */
const MOST_PERCENT: Readonly<Partial<Record<LineKind, number>>> = {
  water: 150,
  salt: 10,
  sugar: 30,
  oil: 40,
  yeast: 10,
};
const percentRule = ({ kind }: EditLine) => ({
  min: kind === 'water' ? 1 : 0,
  max: MOST_PERCENT[kind] ?? 100,
  decimals: 3,
});
const GRAMS = { min: 0, max: 1_000_000, decimals: 1 };

/** Every ingredient in percent or per litre, and in grams of a batch; each of them can be typed. */
export function FormulaLines({
  formula,
  pantry,
  onChange,
}: {
  readonly formula: Formula;
  readonly pantry: Pantry;
  readonly onChange: (formula: Formula, what: string) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [base, setBase] = useState<Base>('flour');
  const [flourG, setFlourG] = useState(10_000);
  const lines = editLines(formula);
  const perLitre = (percent: number) => (percent * G_PER_LITRE_OF_WATER) / formula.waterPercent;
  const commit = (line: EditLine, to: Formula, said: string) =>
    onChange(to, t('formulas.edit.changed', { what: lineName(t, line), to: said }));
  const isOnlyFlour = (line: EditLine) => line.kind === 'flour' && formula.flours.length === 1;

  return (
    <div>
      <div className={styles['head']}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={base}
          aria-label={t('formulas.edit.base')}
          onChange={(_event, to: Base | null) => to && setBase(to)}
        >
          <ToggleButton value="flour">{t('formulas.edit.ofFlour')}</ToggleButton>
          <ToggleButton value="litre">{t('formulas.edit.perLitre')}</ToggleButton>
        </ToggleButtonGroup>
      </div>
      <table className={styles['lines']}>
        <thead>
          <tr>
            <th scope="col">{t('formulas.edit.ingredient')}</th>
            <th scope="col">
              {base === 'flour' ? t('formulas.edit.percent') : t('formulas.edit.litre')}
            </th>
            <th scope="col">{t('formulas.edit.batch')}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => {
            const name = lineName(t, line);
            return (
              <tr key={JSON.stringify(line.key)}>
                <th scope="row">
                  {line.kind === 'yeast' ? (
                    <YeastForm formula={formula} onChange={onChange} />
                  ) : (
                    <LineName line={line} formula={formula} pantry={pantry} onChange={onChange} />
                  )}
                </th>
                <td>
                  {base === 'flour' ? (
                    <NumberCell
                      label={name}
                      unit="%"
                      value={line.percent}
                      rule={percentRule(line)}
                      step={line.kind === 'yeast' ? 0.01 : line.kind === 'salt' ? 0.1 : 1}
                      disabled={isOnlyFlour(line)}
                      onCommit={(percent) =>
                        commit(line, withPercent(formula, line.key, percent), f.percent(percent, 3))
                      }
                    />
                  ) : (
                    <NumberCell
                      label={name}
                      unit="g/l"
                      value={perLitre(line.percent)}
                      rule={GRAMS}
                      step={line.kind === 'yeast' ? 0.1 : 1}
                      disabled={line.kind === 'water'}
                      onCommit={(grams) =>
                        commit(line, withPerLitre(formula, line.key, grams), f.grams(grams, 1))
                      }
                    />
                  )}
                </td>
                <td>
                  <NumberCell
                    label={t('formulas.edit.inBatch', { what: name })}
                    measure="grams"
                    value={(line.percent * flourG) / 100}
                    rule={GRAMS}
                    step={10}
                    onCommit={(grams) => {
                      const to = withGrams(formula, line.key, grams, flourG);
                      setFlourG(to.flourG);
                      commit(line, to.formula, f.grams(grams, 1));
                    }}
                  />
                </td>
                <td>
                  {canGo(line, formula) && (
                    <IconButton
                      size="small"
                      aria-label={t('formulas.edit.remove', { what: name })}
                      onClick={() =>
                        onChange(
                          without(formula, line.key),
                          t('formulas.edit.removed', { what: name }),
                        )
                      }
                    >
                      <CloseIcon fontSize="small" />
                    </IconButton>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">{t('formulas.edit.total')}</th>
            <td>
              {base === 'flour'
                ? f.percent(totalPercent(formula), 2)
                : f.grams(perLitre(totalPercent(formula)))}
            </td>
            <td>{f.grams((totalPercent(formula) * flourG) / 100)}</td>
            <td />
          </tr>
        </tfoot>
      </table>
      <div className={styles['add']}>
        <Button
          size="small"
          variant="outlined"
          onClick={() => onChange(withFlour(formula, pantry), t('formulas.edit.flourAdded'))}
        >
          {t('formulas.edit.addFlour')}
        </Button>
        <Button
          size="small"
          variant="outlined"
          onClick={() =>
            onChange(withAddition(formula, t('formulas.edit.newThing')), t('formulas.edit.added'))
          }
        >
          {t('formulas.edit.addOther')}
        </Button>
      </div>
    </div>
  );
}

/** A flour's or an addition's name: typed, or picked from what the house buys. */
function LineName({
  line,
  formula,
  pantry,
  onChange,
}: {
  readonly line: EditLine;
  readonly formula: Formula;
  readonly pantry: Pantry;
  readonly onChange: (formula: Formula, what: string) => void;
}) {
  const { t } = useTranslation();
  const { key } = line;
  if (key.kind !== 'flour' && key.kind !== 'addition') return <>{lineName(t, line)}</>;
  const rename = (name: string) => {
    const clean = name.trim();
    if (!clean || clean === line.name) return;
    onChange(renamed(formula, key, clean, pantry), t('formulas.edit.renamed', { name: clean }));
  };
  const listId = `pantry-${key.kind}`;
  return (
    <>
      <input
        key={line.name}
        className={styles['name']}
        defaultValue={line.name}
        list={listId}
        maxLength={80}
        aria-label={t(`formulas.edit.nameOf.${key.kind}`, { number: key.index + 1 })}
        onBlur={(event) => rename(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && rename(event.currentTarget.value)}
      />
      <datalist id={listId}>
        {pantry
          .filter((thing) => (key.kind === 'flour') === (thing.strengthW !== undefined))
          .map((thing) => (
            <option key={thing.name} value={thing.name} />
          ))}
      </datalist>
    </>
  );
}

function YeastForm({
  formula,
  onChange,
}: {
  readonly formula: Formula;
  readonly onChange: (formula: Formula, what: string) => void;
}) {
  const { t } = useTranslation();
  return (
    <TextField
      select
      size="small"
      variant="standard"
      value={formula.yeast.form}
      slotProps={{ select: { SelectDisplayProps: { 'aria-label': t('formulas.edit.yeastForm') } } }}
      onChange={(event) => {
        const form = event.target.value as YeastForm;
        const yeast = { ...formula.yeast, form };
        onChange({ ...formula, yeast }, t(`mix.ingredient.${form} yeast`));
      }}
    >
      {YEAST_FORMS.map((form) => (
        <MenuItem key={form} value={form}>
          {t(`mix.ingredient.${form} yeast`)}
        </MenuItem>
      ))}
    </TextField>
  );
}

const canGo = (line: EditLine, formula: Formula) =>
  line.kind === 'addition' || (line.kind === 'flour' && formula.flours.length > 1);

function without(formula: Formula, key: EditKey): Formula {
  if (key.kind === 'flour') {
    const emptied = withPercent(formula, key, 0);
    return { ...emptied, flours: emptied.flours.filter((_, i) => i !== key.index) };
  }
  if (key.kind !== 'addition') return formula;
  return { ...formula, additions: (formula.additions ?? []).filter((_, i) => i !== key.index) };
}

const NEW_FLOUR_PERCENT = 10;

/** A flour of the pantry that is not in it yet, a tenth of the blend. */
function withFlour(formula: Formula, pantry: Pantry): Formula {
  const names = formula.flours.map(({ name }) => name);
  const next = pantry.find((thing) => thing.strengthW !== undefined && !names.includes(thing.name));
  const name = next?.name ?? `flour ${names.length + 1}`;
  const flours = [...formula.flours, { name, percent: 0, ...(next && strengthOf(next)) }];
  const key = { kind: 'flour', index: flours.length - 1 } as const;
  return withPercent({ ...formula, flours }, key, NEW_FLOUR_PERCENT);
}

function withAddition(formula: Formula, name: string): Formula {
  const additions = formula.additions ?? [];
  const taken = additions.some((addition) => addition.name === name);
  const own = taken ? `${name} ${additions.length + 1}` : name;
  return { ...formula, additions: [...additions, { name: own, percent: 1 }] };
}

/** The thing under its new name, with what the pantry knows of that. */
function renamed(
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

function strengthOf({ strengthW, proteinPercent }: Pantry[number]) {
  return {
    ...(strengthW !== undefined && { strengthW }),
    ...(proteinPercent !== undefined && { proteinPercent }),
  };
}
