import TextField from '@mui/material/TextField';
import type { FormulaContent, FormulaRecord, HouseBook } from '@calm/contract';
import { everyLine, splitMix, type Formula } from '@calm/core';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { EditingContext } from '../../../parts/fields/editing';
import { NavLink, useNavigate, useParams } from 'react-router';
import { Failed } from '../../../parts/messages/Failed';
import { useFormats } from '../../../parts/format/useFormats';
import { Message } from '../../../parts/messages/Message';
import { useNotices } from '../../../parts/messages/Notices';
import { Page } from '../../../parts/layout/Page';
import { WaitingPage } from '../../../parts/layout/WaitingPage';
import { RetireButton } from '../../../parts/retired/RetireButton';
import { useRetirement } from '../../../state/api/useRetirement';
import { useBookQuery } from '../../../state/api/api';
import { useHouse } from '../../../state/board/useBoard';
import { useRecordDraft, type RecordDraft } from '../../../state/drafts/useRecordDraft';
import { useWrite } from '../../../state/api/useWrite';
import { useSimulation } from '../../../workers/engine/useSimulation';
import navStyles from '../../../parts/layout/PlaceNav.module.css';
import { contentOf } from './contents';
import { FormulaBasics } from './FormulaBasics';
import { FormulaFacts } from './FormulaFacts';
import { FormulaLines } from './FormulaLines';
import styles from './FormulaPage.module.css';
import { useFormulaVersionsQuery, useSaveFormulaMutation } from '../formulasApi';
import { MakePart } from './MakePart';
import { AheadPart } from '../method/AheadPart';
import { MethodClock } from '../method/MethodClock';
import { MethodPart } from '../method/MethodPart';
import { OldDoughPart } from './OldDoughPart';
import { PrefermentPart } from './PrefermentPart';
import { ProductsOf } from './ProductsOf';
import { SaveBar } from './SaveBar';
import { usePlannedDough } from '../what-if/usePlannedDough';
import { Versions } from './Versions';
import { asPlanned, documentOf } from '../what-if/whatIf';

/** One formula of the book: read, edited, compared, saved as its next version. */
export function FormulaPage() {
  const { t } = useTranslation();
  const house = useHouse();
  const slug = useParams()['formula'] ?? '';
  const { data: book, error, refetch } = useBookQuery(house);
  if (error && !book) return <Failed error={error} onRetry={() => void refetch()} />;
  if (!book) return <WaitingPage />;
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

interface EditorProps {
  readonly house: string;
  readonly book: HouseBook;
  readonly record: FormulaRecord;
}

/** What the page shows of a formula; the bare address shows its ingredients. */
const PARTS = ['', 'method', 'make'] as const;

function Editor({ house, book, record }: EditorProps) {
  const { t } = useTranslation();
  const part = useParams()['part'] ?? '';
  const saved = useMemo(() => ({ version: record.version, content: contentOf(record) }), [record]);
  const draft = useRecordDraft<FormulaContent>(`formula/${house}/${record.slug}`, saved);
  const { content } = draft;
  const kinds = useMemo(() => {
    const split = splitMix(content.formula);
    const lines = split.ok ? split.value.finalMix : everyLine(content.formula);
    return [...new Set(lines.map(({ kind }) => kind))];
  }, [content.formula]);

  return (
    <Page
      title={content.name}
      lead={t('formulas.page.lead', { code: record.code, version: record.version })}
      aside={<ProductsOf house={house} book={book} record={record} />}
    >
      <nav className={navStyles['nav']} aria-label={t('formulas.page.parts')}>
        {PARTS.map((each) => (
          <NavLink key={each} end to={`/${house}/formulas/${record.slug}${each && `/${each}`}`}>
            {t(`formulas.page.part.${each || 'lines'}`)}
          </NavLink>
        ))}
      </nav>
      {part === 'method' && (
        <MethodPart
          method={content.method}
          kinds={kinds}
          onChange={(method, what) => draft.change({ method }, what)}
        >
          <MethodClock book={book} formulaId={record.id} content={content} />
        </MethodPart>
      )}
      {part === 'method' && content.formula.preferment && (
        <AheadPart
          method={content.method}
          preferment={content.formula.preferment}
          onChange={(method, what) => draft.change({ method }, what)}
        />
      )}
      {part === 'make' && (
        // Anybody may scale an amount here; nothing of it is kept.
        <EditingContext value>
          <MakePart house={house} book={book} record={{ ...record, ...content }} />
        </EditingContext>
      )}
      {part !== 'method' && part !== 'make' && (
        <Ingredients house={house} book={book} record={record} draft={draft} />
      )}
      {draft.isChanged && <Save house={house} record={record} draft={draft} />}
    </Page>
  );
}

/** What is in it, and what it was before. */
function Ingredients({
  house,
  book,
  record,
  draft,
}: EditorProps & { readonly draft: RecordDraft<FormulaContent> }) {
  const { t } = useTranslation();
  const { content } = draft;
  const [product] = book.products.filter(({ formulaId }) => formulaId === record.id);
  const { dough: planned } = usePlannedDough(product?.slug ?? '');
  const dough = useMemo(
    () => (planned ? { ...planned, record: { ...record, ...content } } : null),
    [planned, record, content],
  );
  const document = useMemo(() => dough && documentOf(dough, asPlanned(dough)), [dough]);
  const answer = useSimulation(document);
  const navigate = useNavigate();
  const versions = useFormulaVersionsQuery({ house, slug: record.slug });
  const change = (formula: Formula, what: string) => draft.change({ formula }, what);
  return (
    <>
      <div className={styles['edit']}>
        <div>
          <FormulaBasics content={content} mixers={book.mixers} onChange={draft.change} />
          <FormulaLines
            draftKey={`${house}/dialog/home/${record.slug}`}
            formula={content.formula}
            pantry={book.pantry}
            onChange={change}
          />
          <PrefermentPart formula={content.formula} onChange={change} />
          <OldDoughPart formula={content.formula} onChange={change} />
        </div>
        <FormulaFacts
          book={book}
          content={content}
          dough={dough}
          way={answer?.ok ? answer.value : null}
        />
      </div>
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
      <RetireButton
        record={record}
        retirement={useRetirement('formulas')}
        onRetired={() => void navigate(`/${house}/formulas`)}
      />
    </>
  );
}

/** A note, and the next version; or let it go. */
function Save({
  house,
  record,
  draft,
}: {
  readonly house: string;
  readonly record: FormulaRecord;
  readonly draft: RecordDraft<FormulaContent>;
}) {
  const { t } = useTranslation();
  const f = useFormats();
  const { changed } = useNotices();
  const [note, setNote] = useState('');
  const [save] = useSaveFormulaMutation();
  const { write, stale, settle, isSending } = useWrite((version: number) =>
    save({
      house,
      slug: record.slug,
      change: { version, note: note.trim(), content: draft.content },
    }).unwrap(),
  );

  const keep = async (version: number) => {
    const saved = await write(version);
    if (!saved) return;
    const back = {
      version: saved.version,
      note: t('formulas.page.backTo', { version: record.version }),
      content: contentOf(record),
    };
    draft.drop();
    changed(t('formulas.page.saved', { name: saved.name, version: saved.version }), () =>
      save({ house, slug: record.slug, change: back }).unwrap(),
    );
  };
  return (
    <SaveBar
      save={t('formulas.page.save', { version: f.count(record.version + 1) })}
      isSending={isSending}
      disagreement={
        stale && {
          what: record.name,
          stale,
          onKeepTheirs: () => {
            settle();
            draft.drop();
          },
          onUseMine: (version) => void keep(version),
        }
      }
      onSave={() => void keep(draft.from)}
      onDiscard={draft.drop}
    >
      <TextField
        size="small"
        className={styles['note'] ?? ''}
        label={t('formulas.page.note')}
        value={note}
        onChange={(event) => setNote(event.target.value)}
        slotProps={{ htmlInput: { maxLength: 300 } }}
      />
    </SaveBar>
  );
}
