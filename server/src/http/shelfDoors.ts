import type { Deed } from '@calm/contract';
import { changeOf, params } from '@calm/contract/schemas';
import type { Router } from 'express';
import type { ObjectSchema } from 'joi';
import type { Database } from '../database/database';
import { addRecord, changeRecord, removeRecord } from '../use-cases/recordWrites';
import type { Shelf } from '../store/repository';
import { houseDoor } from './door';

/** The three doors of one shelf: add, change, take away. */
export function shelfDoors<Content, Kept>(
  api: Router,
  db: Database,
  name: string,
  needs: Deed,
  shelf: Shelf<Content, Kept>,
  content: ObjectSchema<Content>,
): void {
  const all = `/houses/:house/${name}`;
  api.post(
    all,
    houseDoor(db, {
      needs,
      body: content,
      status: 201,
      run: ({ scope, body }) => addRecord(scope, shelf, body),
    }),
  );
  api.put(
    `${all}/:id`,
    houseDoor(db, {
      needs,
      params: params.record,
      body: changeOf(content),
      run: ({ scope, params: { id }, body }) => changeRecord(scope, shelf, id, body),
    }),
  );
  api.delete(
    `${all}/:id`,
    houseDoor(db, {
      needs,
      params: params.record,
      run: ({ scope, params: { id } }) => removeRecord(scope, shelf, id),
    }),
  );
}
