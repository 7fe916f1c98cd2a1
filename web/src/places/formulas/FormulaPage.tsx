import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import type { FormulaRecord, HouseBook } from '@calm/contract';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { Failed } from '../../parts/Failed';
import { useFormats } from '../../parts/format';
import { Message } from '../../parts/Message';
import { useNotices } from '../../parts/Notices';
import { Page } from '../../parts/Page';
import { TwoSides } from '../../parts/TwoSides';
import { Waiting } from '../../parts/Waiting';
import { useBookQuery } from '../../state/api';
import { useHouse } from '../../state/useBoard';
import { useWrite } from '../../state/useWrite';
import { FormulaFacts } from './FormulaFacts';
import { FormulaLines } from './FormulaLines';
import styles from './FormulaPage.module.css';
import { useFormulaVersionsQuery, useSaveFormulaMutation } from './formulasApi';
import { PrefermentPart } from './PrefermentPart';
import { contentOf, useFormulaDraft, type FormulaDraft } from './useFormulaDraft';
import { usePlannedDough } from './usePlannedDough';
import { useWay } from '../../workers/useWay';
import { Versions } from './Versions';
import { asPlanned, documentOf } from './whatIf';

/** One formula of the book: read, edited, compared, saved as its next version. */
export function FormulaPage() {
  const { t } = useTranslation();
  const house = useHouse();
  const slug = useParams()['formula'] ?? '';
  const { data: book, error, refetch } = useBookQuery(house);
  if (error && !book) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!book) return <Waiting />;
  const record = book.formulas.find((formula) => formula.slug === slug);
  if (!record) {
    return (
      <Message
        title={t('formulas.noFormula')}
        text={t('formulas.noFormulaHow')}
        link={{ label: t('stops.formulas'), to: `/${house}/formulas` }}
      />
    );
  }
  return <Editor key={record.id} house={house} book={book} record={record} />;
}

function Editor({
  house,
  book,
  record,
}: {
  readonly house: string;
  readonly book: HouseBook;
  readonly record: FormulaRecord;
}) {
  const { t } = useTranslation();
  const draft = useFormulaDraft(house, record);
  const { content } = draft;
  const products = book.products.filter((product) => product.formulaId === record.id);
  const { dough: planned } = usePlannedDough(products[0]?.slug ?? '');
  const dough = useMemo(
    () => (planned ? { ...planned, record: { ...record, ...content } } : null),
    [planned, record, content],
  );
  const document = useMemo(() => dough && documentOf(dough, asPlanned(dough)), [dough]);
  const answer = useWay(document);
  const versions = useFormulaVersionsQuery({ house, slug: record.slug });

  return (
    <Page
      title={content.name}
      lead={t('formulas.page.lead', { code: record.code, version: record.version })}
      aside={products.map((product) => (
        <Button
          key={product.id}
          variant="outlined"
          component={Link}
          to={`/${house}/formulas/${product.slug}/what-if`}
        >
          {t('formulas.whatIf.title', { product: product.name })}
        </Button>
      ))}
    >
      <div className={styles['edit']}>
        <div>
          <FormulaLines
            formula={content.formula}
            pantry={book.pantry}
            onChange={draft.changeFormula}
          />
          <PrefermentPart formula={content.formula} onChange={draft.changeFormula} />
        </div>
        <FormulaFacts
          book={book}
          content={content}
          dough={dough}
          way={answer?.ok ? answer.value : null}
        />
      </div>
      {draft.isChanged && <SaveBar house={house} record={record} draft={draft} />}
      {versions.data && (
        <Versions
          versions={versions.data}
          shown={content}
          dough={planned ?? null}
          onBringBack={(version) =>
            draft.change(
              contentOf(version),
              t('formulas.versions.broughtBack', { version: version.version }),
            )
          }
        />
      )}
    </Page>
  );
}

/** What is not saved yet: a note, and the next version; or let it go. */
function SaveBar({
  house,
  record,
  draft,
}: {
  readonly house: string;
  readonly record: FormulaRecord;
  readonly draft: FormulaDraft;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { changed } = useNotices();
  const [note, setNote] = useState('');
  const [save] = useSaveFormulaMutation();
  const send = (version: number) =>
    save({
      house,
      slug: record.slug,
      change: { version, note: note.trim(), content: draft.content },
    }).unwrap();
  const { write, stale, settle, isSending } = useWrite(send);

  const keep = async (version: number) => {
    const saved = await write(version);
    if (!saved) return;
    const before = contentOf(record);
    draft.drop();
    changed(t('formulas.page.saved', { name: saved.name, version: saved.version }), () =>
      save({
        house,
        slug: record.slug,
        change: {
          version: saved.version,
          note: t('formulas.page.backTo', { version: record.version }),
          content: before,
        },
      }).unwrap(),
    );
  };
  return (
    <section className={styles['save']} aria-label={t('formulas.page.unsaved')}>
      <TextField
        size="small"
        className={styles['note'] ?? ''}
        label={t('formulas.page.note')}
        value={note}
        onChange={(event) => setNote(event.target.value)}
        slotProps={{ htmlInput: { maxLength: 300 } }}
      />
      <Button variant="contained" disabled={isSending} onClick={() => void keep(draft.from)}>
        {t('formulas.page.save', { version: f.count(record.version + 1) })}
      </Button>
      <Button variant="outlined" onClick={draft.drop}>
        {t('formulas.page.discard')}
      </Button>
      {stale && (
        <div className={styles['stale']}>
          <TwoSides
            what={record.name}
            theirs={t('formulas.versions.version', { version: stale.theirs.version })}
            mine={t('formulas.page.yours')}
            onKeepTheirs={() => {
              settle();
              draft.drop();
            }}
            onUseMine={() => void keep(stale.theirs.version)}
          />
        </div>
      )}
    </section>
  );
}
