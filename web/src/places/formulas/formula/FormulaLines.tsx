import { WideTable } from '../../../parts/layout/WideTable';
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
  type EditLine,
  type Formula,
  type LineKind,
  type Pantry,
  type YeastForm,
} from '@calm/core';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useFormats } from '../../../parts/format/useFormats';
import { NumberCell } from '../../../parts/fields/NumberCell';
import styles from './FormulaLines.module.css';
import { HomeMeasures } from './HomeMeasures';
import { lineName } from './lineName';
import { canGo, without, withFlour, withAddition, renamed } from './lineEdits';

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
  decimals: kind === 'yeast' ? 5 : 3,
});

/** A few grams of yeast are weighed to the hundredth: no digit of them is lost. */
const gramsRule = ({ kind }: EditLine) => ({
  min: 0,
  max: 1_000_000,
  decimals: kind === 'yeast' ? 3 : 1,
});

/** Every ingredient in percent or per litre, and in grams of a batch; each of them can be typed. */
export function FormulaLines({
  draftKey,
  formula,
  pantry,
  onChange,
}: {
  /** Under which a recipe in home measures is kept on the device. */
  readonly draftKey: string;
  readonly formula: Formula;
  readonly pantry: Pantry;
  readonly onChange: (formula: Formula, what: string) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const [isAtHome, setAtHome] = useState(false);
  const [base, setBase] = useState<Base>('flour');
  const [flourG, setFlourG] = useState(10_000);
  const lines = editLines(formula);

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
      <WideTable label={t('formulas.page.part.lines')}>
        <table className={styles['lines']}>
          <thead>
            <tr>
              <th scope="col">{t('formulas.edit.ingredient')}</th>
              <th scope="col">
                {base === 'flour' ? t('formulas.edit.percent') : t('formulas.edit.litre')}
              </th>
              <th scope="col">{t('formulas.edit.batch')}</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <Line
                key={JSON.stringify(line.key)}
                {...{ line, formula, pantry, base, onChange }}
                flour={{ grams: flourG, onChange: setFlourG }}
              />
            ))}
          </tbody>
          <tfoot>
            <tr>
              <th scope="row">{t('formulas.edit.total')}</th>
              <td>
                {base === 'flour'
                  ? f.percent(totalPercent(formula), 2)
                  : f.grams(perLitre(totalPercent(formula), formula))}
              </td>
              <td>{f.grams((totalPercent(formula) * flourG) / 100)}</td>
              <td />
            </tr>
          </tfoot>
        </table>
      </WideTable>
      <div className={styles['add']}>
        <EditOnly>
          <Button
            size="small"
            variant="outlined"
            onClick={() => onChange(withFlour(formula, pantry), t('formulas.edit.flourAdded'))}
          >
            {t('formulas.edit.addFlour')}
          </Button>
        </EditOnly>
        <EditOnly>
          <Button
            size="small"
            variant="outlined"
            onClick={() =>
              onChange(withAddition(formula, t('formulas.edit.newThing')), t('formulas.edit.added'))
            }
          >
            {t('formulas.edit.addOther')}
          </Button>
        </EditOnly>
        <EditOnly>
          <Button
            size="small"
            variant="outlined"
            aria-haspopup="dialog"
            onClick={() => setAtHome(true)}
          >
            {t('formulas.home.open')}
          </Button>
        </EditOnly>
        {isAtHome && (
          <HomeMeasures
            draftKey={draftKey}
            formula={formula}
            onUse={(to) => onChange(to, t('formulas.home.used'))}
            onClose={() => setAtHome(false)}
          />
        )}
      </div>
    </div>
  );
}

const perLitre = (percent: number, { waterPercent }: Formula): number =>
  (percent * G_PER_LITRE_OF_WATER) / waterPercent;

/** One ingredient: in percent or per litre, in grams of the batch, and taken away. */
function Line({
  line,
  formula,
  pantry,
  base,
  flour,
  onChange,
}: {
  readonly line: EditLine;
  readonly formula: Formula;
  readonly pantry: Pantry;
  readonly base: Base;
  /** Flour of the batch that is counted, g; typing any ingredient's grams changes it. */
  readonly flour: { readonly grams: number; readonly onChange: (grams: number) => void };
  readonly onChange: (formula: Formula, what: string) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const name = lineName(t, line);
  const isOnlyFlour = line.kind === 'flour' && formula.flours.length === 1;
  const commit = (to: Formula, said: string) =>
    onChange(to, t('formulas.edit.changed', { what: name, to: said }));
  return (
    <tr>
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
            disabled={isOnlyFlour}
            onCommit={(percent) =>
              commit(withPercent(formula, line.key, percent), f.percent(percent, 5))
            }
          />
        ) : (
          <NumberCell
            label={name}
            unit={`${f.symbols.g}/${f.symbols.l}`}
            value={perLitre(line.percent, formula)}
            rule={gramsRule(line)}
            step={line.kind === 'yeast' ? 0.1 : 1}
            disabled={line.kind === 'water'}
            onCommit={(grams) =>
              commit(
                withPerLitre(formula, line.key, grams),
                f.grams(grams, line.kind === 'yeast' ? 2 : 1),
              )
            }
          />
        )}
      </td>
      <td>
        <NumberCell
          label={t('formulas.edit.inBatch', { what: name })}
          measure="grams"
          value={(line.percent * flour.grams) / 100}
          rule={gramsRule(line)}
          step={10}
          onCommit={(grams) => {
            const to = withGrams(formula, line.key, grams, flour.grams);
            flour.onChange(to.flourG);
            commit(to.formula, f.grams(grams, line.kind === 'yeast' ? 2 : 1));
          }}
        />
      </td>
      <td>
        {canGo(line, formula) && (
          <EditOnly>
            <IconButton
              size="small"
              aria-label={t('formulas.edit.remove', { what: name })}
              onClick={() =>
                onChange(without(formula, line.key), t('formulas.edit.removed', { what: name }))
              }
            >
              <CloseIcon fontSize="small" />
            </IconButton>
          </EditOnly>
        )}
      </td>
    </tr>
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
        onChange({ ...formula, yeast }, t(`ingredient.${form} yeast`));
      }}
    >
      {YEAST_FORMS.map((form) => (
        <MenuItem key={form} value={form}>
          {t(`ingredient.${form} yeast`)}
        </MenuItem>
      ))}
    </TextField>
  );
}
