import type { Permission } from '@calm/contract';
import { changeOf, params } from '@calm/contract/schemas';
import type { Router } from 'express';
import type { ObjectSchema } from 'joi';
import type { Database } from '../database/database';
import { addRecord, changeRecord, removeRecord } from '../use-cases/recordWrites';
import type { Repository } from '../store/repository';
import { defineRoute } from './door';

/** The three doors of one shelf: add, change, take away. */
export function repositoryRoutes<Content, Stored>(
  api: Router,
  db: Database,
  name: string,
  needs: Permission,
  repository: Repository<Content, Stored>,
  content: ObjectSchema<Content>,
): void {
  const all = `/houses/:house/${name}`;
  api.post(
    all,
    defineRoute(db, {
      needs,
      body: content,
      status: 201,
      run: ({ scope, body }) => addRecord(scope, repository, body),
    }),
  );
  api.put(
    `${all}/:id`,
    defineRoute(db, {
      needs,
      params: params.record,
      body: changeOf(content),
      run: ({ scope, params: { id }, body }) => changeRecord(scope, repository, id, body),
    }),
  );
  api.delete(
    `${all}/:id`,
    defineRoute(db, {
      needs,
      params: params.record,
      run: ({ scope, params: { id } }) => removeRecord(scope, repository, id),
    }),
  );
}
