import CloseIcon from '@mui/icons-material/Close';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import IconButton from '@mui/material/IconButton';
import { DateField } from '../../../parts/fields/DateField';
import type { PantryItem } from '@calm/contract';
import type { HoldingLimit, Ingredient } from '@calm/core';
import TextField from '@mui/material/TextField';
import { useRef, useState, type ComponentProps } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../../../parts/fields/editing';
import { useFormats } from '../../../parts/format/useFormats';
import { Failed } from '../../../parts/messages/Failed';
import { useNotices } from '../../../parts/messages/Notices';
import { NumberCell } from '../../../parts/fields/NumberCell';
import { Page } from '../../../parts/layout/Page';
import { TextCell } from '../../../parts/fields/TextCell';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { useBookQuery } from '../../../state/api/api';
import { problemOf } from '../../../parts/messages/problemOf';
import { problemWords } from '../../../parts/messages/problemWords';
import { useHouse } from '../../../state/board/useBoard';
import { useInOrder } from '../../../state/api/useInOrder';
import { BookNav } from '../BookNav';
import { contentOfItem } from '../formula/contents';
import styles from './Pantry.module.css';
import { useAddItemMutation, useChangeItemMutation, useRemoveItemMutation } from '../recordsApi';

const MONEY = { min: 0, max: 100_000, decimals: 2 };
const STORE = { min: 0, max: 100_000, decimals: 2 };
const BAG = { min: 0, max: 1000, decimals: 2 };
/** An everyday flour's, until somebody knows better. */
const USUAL_W = 250;
const STRENGTH = { min: 0, max: 600, decimals: 0 };
const BRAN = { min: 0, max: 50, decimals: 1 };
const PROTEIN = { min: 0, max: 25, decimals: 1 };
const SHARE = { min: 0, max: 100, decimals: 1 };
/** To begin with: the house writes its local code's own numbers over it. */
const FIRST_HOLDING: HoldingLimit = { aboveC: 5, mostMin: 120 };
const HOLDING = {
  aboveC: { min: -5, max: 40, decimals: 1 },
  mostMin: { min: 0, max: 10_080, decimals: 0 },
} as const;
const BRINGS = ['waterPercent', 'saltPercent', 'fatPercent', 'sugarPercent'] as const;
const NOTHING = { waterPercent: 0, saltPercent: 0, fatPercent: 0, sugarPercent: 0 };

/** What the house buys: price, bag, strength, allergens, and what it brings with it. */
export function Pantry() {
  const { t } = useTranslation();
  const house = useHouse();
  const { data: book, error, refetch } = useBookQuery(house);
  const collection = useCollection(house);
  const [sought, setSought] = useState('');
  if (error && !book) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!book) return <WaitingPage />;
  const wanted = sought.trim().toLocaleLowerCase();
  const found = book.pantry.filter(({ name, allergens }) =>
    `${name} ${allergens?.join(' ') ?? ''}`.toLocaleLowerCase().includes(wanted),
  );
  return (
    <Page
      title={t('formulas.pantry.title')}
      lead={t('formulas.pantry.lead')}
      aside={
        <>
          <TextField
            size="small"
            label={t('formulas.pantry.find')}
            value={sought}
            onChange={(event) => setSought(event.target.value)}
          />
          <EditOnly>
            <Button
              variant="contained"
              onClick={() => {
                setSought('');
                void collection.add(book.pantry);
              }}
            >
              {t('formulas.pantry.add')}
            </Button>
          </EditOnly>
        </>
      }
    >
      <BookNav />
      {book.pantry.length === 0 && <p className="quiet">{t('formulas.pantry.none')}</p>}
      {book.pantry.length > 0 && found.length === 0 && (
        <p className="quiet">{t('formulas.pantry.findNone')}</p>
      )}
      <ul className={styles['items']}>
        {found.map((item) => (
          <Item key={item.id} item={item} collection={collection} />
        ))}
      </ul>
    </Page>
  );
}

function Item({
  item,
  collection,
}: {
  readonly item: PantryItem;
  readonly collection: PantryWrites;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const content = contentOfItem(item);
  const put = (to: Changed) => void collection.change(item, to);
  const brings = content.composition ?? NOTHING;
  const isFlour = item.strengthW !== undefined;
  const cell = (
    key: 'costPerKg' | 'bagKg' | 'storeKg' | 'strengthW' | 'proteinPercent' | 'branPercent',
    rule: typeof MONEY,
    unit: string,
    step: number,
  ) => (
    <label className={styles['cell']}>
      <span>{t(`formulas.pantry.${key}`)}</span>
      <NumberCell
        label={f.joined(item.name, t(`formulas.pantry.${key}`))}
        value={content[key] ?? 0}
        {...(key === 'bagKg' || key === 'storeKg' ? { measure: 'kilograms' as const } : { unit })}
        rule={rule}
        step={step}
        onCommit={(value) => put({ [key]: value })}
      />
    </label>
  );
  return (
    <li>
      <div className={styles['first']}>
        <TextCell
          label={t('formulas.new.name')}
          value={item.name}
          most={80}
          width={200}
          onCommit={(name) => put({ name })}
        />
        {cell('costPerKg', MONEY, '/kg', 0.05)}
        {cell('bagKg', BAG, '', 1)}
        {cell('storeKg', STORE, '', 1)}
        <DateField
          label={t('formulas.pantry.goodUntil')}
          value={item.goodUntil || null}
          onChange={(date) => put({ goodUntil: date ?? '' })}
        />
        <FormControlLabel
          control={
            <Switch
              checked={isFlour}
              onChange={(_event, on) => put({ strengthW: on ? USUAL_W : 0, proteinPercent: 0 })}
            />
          }
          label={t('formulas.pantry.isFlour')}
        />
        {isFlour && cell('strengthW', STRENGTH, 'W', 10)}
        {isFlour && cell('proteinPercent', PROTEIN, '%', 0.5)}
        {isFlour && cell('branPercent', BRAN, '%', 1)}
        <EditOnly>
          <IconButton
            aria-label={t('blocks.remove', { what: item.name })}
            onClick={() => void collection.remove(item)}
          >
            <CloseIcon fontSize="small" />
          </IconButton>
        </EditOnly>
      </div>
      <div className={styles['second']}>
        <TextCell
          label={t('formulas.pantry.allergens')}
          value={item.allergens.join(', ')}
          most={400}
          mayBeEmpty
          width={280}
          onCommit={(text) => put({ allergens: namesIn(text) })}
        />
        {isFlour && (
          <TextCell
            label={t('formulas.pantry.uptakeNote')}
            value={item.uptakeNote ?? ''}
            most={300}
            mayBeEmpty
            width={420}
            onCommit={(uptakeNote) => put({ uptakeNote })}
          />
        )}
        {!isFlour &&
          BRINGS.map((key) => (
            <label key={key} className={styles['cell']}>
              <span>{t(`formulas.pantry.${key}`)}</span>
              <NumberCell
                label={f.joined(item.name, t(`formulas.pantry.${key}`))}
                unit="%"
                value={brings[key]}
                rule={SHARE}
                step={1}
                onCommit={(percent) => put({ composition: { ...brings, [key]: percent } })}
              />
            </label>
          ))}
        <HoldingCells item={content} onChange={(holding) => put({ holding })} />
      </div>
    </li>
  );
}

/** How long dough with it may be warm: for what spoils, by the house's local code. */
function HoldingCells({
  item,
  onChange,
}: {
  readonly item: Ingredient;
  readonly onChange: (holding: HoldingLimit | null) => void;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { name, holding } = item;
  const cell = (key: keyof HoldingLimit, given: Partial<ComponentProps<typeof NumberCell>>) => (
    <label className={styles['cell']}>
      <span>{t(`formulas.pantry.${key}`)}</span>
      <NumberCell
        label={f.joined(name, t(`formulas.pantry.${key}`))}
        value={holding?.[key] ?? 0}
        rule={HOLDING[key]}
        step={key === 'aboveC' ? 0.5 : 15}
        onCommit={(value) => holding && onChange({ ...holding, [key]: value })}
        {...given}
      />
    </label>
  );
  return (
    <>
      <FormControlLabel
        control={
          <Switch
            checked={holding !== undefined}
            onChange={(_event, on) => onChange(on ? FIRST_HOLDING : null)}
          />
        }
        label={t('formulas.pantry.isLimited')}
      />
      {holding && cell('aboveC', { measure: 'temp' })}
      {holding && cell('mostMin', { unit: 'min' })}
      {holding && <span className="quiet small">{t('formulas.pantry.byCode')}</span>}
    </>
  );
}

const namesIn = (text: string) => [
  ...new Set(
    text
      .split(/[,;]/)
      .map((name) => name.trim())
      .filter(Boolean),
  ),
];

/** Without what says nothing: 0 stands for "not known" where nothing weighs or costs nothing. */
function cleaned(item: Omit<Ingredient, 'holding'> & Changed): Ingredient {
  const { costPerKg, bagKg, strengthW, proteinPercent, uptakeNote, composition, ...others } = item;
  const { goodUntil, holding, branPercent, ...rest } = others;
  const isPlain = !composition || BRINGS.every((key) => composition[key] === 0);
  return {
    ...rest,
    ...(costPerKg && { costPerKg }),
    ...(bagKg && { bagKg }),
    ...(goodUntil && { goodUntil }),
    ...(holding && { holding }),
    ...(strengthW && { strengthW: Math.max(50, strengthW) }),
    ...(proteinPercent && { proteinPercent: Math.max(4, proteinPercent) }),
    ...(branPercent && { branPercent }),
    ...(uptakeNote && { uptakeNote }),
    ...(!isPlain && composition && { composition }),
  };
}

/** What is changed; a limit of null is none. */
type Changed = Partial<Omit<Ingredient, 'holding'>> & { readonly holding?: HoldingLimit | null };

interface PantryWrites {
  readonly add: (items: readonly PantryItem[]) => Promise<void>;
  readonly change: (item: PantryItem, to: Changed) => Promise<void>;
  readonly remove: (item: PantryItem) => Promise<void>;
}

/** Writes to the shelf, each with its way back; what cannot be is said. */
function useCollection(house: string): PantryWrites {
  const { t } = useTranslation();
  const { changed, failed } = useNotices();
  const [add] = useAddItemMutation();
  const [change] = useChangeItemMutation();
  const [drop] = useRemoveItemMutation();
  // Two fields may be typed faster than the first is acknowledged: each write goes over the one before.
  const written = useRef(new Map<string, PantryItem>());
  const inOrder = useInOrder();
  const tried = async (work: () => Promise<void>) => {
    try {
      await work();
    } catch (error) {
      const problem = problemOf(error);
      failed(
        problem?.type === '/problems/stale' ? t('formulas.pantry.stale') : problemWords(t, error),
      );
    }
  };
  return {
    add: (items) =>
      tried(async () => {
        const taken = (name: string) => items.some((item) => item.name === name);
        const plain = t('formulas.pantry.new');
        let name = plain;
        for (let i = 2; taken(name); i += 1) name = `${plain} ${i}`;
        const added = await add({ house, content: { name, allergens: [] } }).unwrap();
        changed(t('formulas.pantry.added'), () => drop({ house, id: added.id }).unwrap());
      }),
    change: (shown, to) =>
      inOrder(() =>
        tried(async () => {
          const mine = written.current.get(shown.id);
          const item = mine && mine.version > shown.version ? mine : shown;
          const { id, version } = item;
          const content = cleaned({ ...contentOfItem(item), ...to });
          const saved = await change({ house, id, change: { version, content } }).unwrap();
          written.current.set(id, saved);
          const before = { version: saved.version, content: contentOfItem(item) };
          changed(
            t('formulas.pantry.changed', { name: saved.name }),
            () => change({ house, id, change: before }).unwrap(),
            { isQuiet: true },
          );
        }),
      ),
    remove: (item) =>
      tried(async () => {
        await drop({ house, id: item.id }).unwrap();
        changed(t('formulas.pantry.removed', { name: item.name }), () =>
          add({ house, content: contentOfItem(item) }).unwrap(),
        );
      }),
  };
}
