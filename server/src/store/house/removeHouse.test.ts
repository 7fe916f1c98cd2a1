import { describe, expect, it } from '@jest/globals';
import { getTableColumns, getTableName, is } from 'drizzle-orm';
import { MySqlTable } from 'drizzle-orm/mysql-core';
import * as schema from '../../database/schema';
import { OF_A_HOUSE } from './houseTables';

describe('the tables of a house', () => {
  it('are all that have its rows: one left out would stop it from being erased, and be lost from archives', () => {
    const ofHouses = Object.values(schema)
      .filter((each) => is(each, MySqlTable))
      .filter((table) => 'houseId' in getTableColumns(table))
      .map(getTableName);
    expect(OF_A_HOUSE.map(getTableName).sort()).toEqual(ofHouses.sort());
  });
});
