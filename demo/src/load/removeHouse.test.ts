import { schema } from '@calm/server';
import { describe, expect, it } from '@jest/globals';
import { getTableColumns, getTableName, is } from 'drizzle-orm';
import { MySqlTable } from 'drizzle-orm/mysql-core';
import { OF_A_HOUSE } from './removeHouse';

describe('taking a house out', () => {
  it('takes every table that has rows of a house, or loading it afresh would stop at what refers to it', () => {
    const ofHouses = Object.values(schema)
      .filter((each) => is(each, MySqlTable))
      .filter((table) => 'houseId' in getTableColumns(table))
      .map(getTableName);
    expect(OF_A_HOUSE.map(getTableName).sort()).toEqual(ofHouses.sort());
  });
});
