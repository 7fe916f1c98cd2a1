import ArrowDownwardIcon from '@mui/icons-material/ArrowDownward';
import ArrowUpwardIcon from '@mui/icons-material/ArrowUpward';
import CloseIcon from '@mui/icons-material/Close';
import IconButton from '@mui/material/IconButton';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { EditOnly } from '../fields/editing';
import styles from './BlockList.module.css';

/** A list whose order matters: each block can go up, down or out. */
export function BlockList<Block>({
  label,
  blocks,
  nameOf,
  isRemovable = () => true,
  onChange,
  children,
}: {
  readonly label: string;
  readonly blocks: readonly Block[];
  readonly nameOf: (block: Block) => string;
  readonly isRemovable?: (block: Block) => boolean;
  /** The list as it shall be, and what was done in words. */
  readonly onChange: (blocks: readonly Block[], what: string) => void;
  readonly children: (block: Block, index: number) => ReactNode;
}) {
  const { t } = useTranslation();
  const swap = (at: number, to: number) => {
    const [a, b] = [blocks[at], blocks[to]];
    if (a === undefined || b === undefined) return;
    const next = blocks.map((block, i) => (i === at ? b : i === to ? a : block));
    onChange(next, t('blocks.moved', { what: nameOf(a) }));
  };
  return (
    <ol className={styles['blocks']} aria-label={label}>
      {blocks.map((block, i) => {
        const what = nameOf(block);
        return (
          <li key={String(i)}>
            <div className={styles['body']}>{children(block, i)}</div>
            <EditOnly>
              <div className={styles['moves']}>
                <IconButton
                  size="small"
                  disabled={i === 0}
                  aria-label={t('blocks.up', { what })}
                  onClick={() => swap(i, i - 1)}
                >
                  <ArrowUpwardIcon fontSize="small" />
                </IconButton>
                <IconButton
                  size="small"
                  disabled={i === blocks.length - 1}
                  aria-label={t('blocks.down', { what })}
                  onClick={() => swap(i, i + 1)}
                >
                  <ArrowDownwardIcon fontSize="small" />
                </IconButton>
                <IconButton
                  size="small"
                  disabled={!isRemovable(block) || blocks.length === 1}
                  aria-label={t('blocks.remove', { what })}
                  onClick={() =>
                    onChange(
                      blocks.filter((_, at) => at !== i),
                      t('blocks.removed', { what }),
                    )
                  }
                >
                  <CloseIcon fontSize="small" />
                </IconButton>
              </div>
            </EditOnly>
          </li>
        );
      })}
    </ol>
  );
}
