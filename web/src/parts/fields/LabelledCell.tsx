import type { ComponentProps } from 'react';
import styles from './LabelledCell.module.css';
import { NumberCell } from './NumberCell';

/** A number with its name above it. `label` names the cell to who does not see what stands around it. */
export function LabelledCell({
  name,
  label = name,
  ...cell
}: { readonly name: string; readonly label?: string } & Omit<
  ComponentProps<typeof NumberCell>,
  'label'
>) {
  return (
    <div className={styles['field']}>
      <span aria-hidden="true">{name}</span>
      <NumberCell label={label} {...cell} />
    </div>
  );
}
