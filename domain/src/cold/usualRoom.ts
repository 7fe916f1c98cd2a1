import { USUAL_ROOM, USUAL_UNDER_COUNTER, type Room } from '@calm/core';

/** Trays that an under-counter holds at most; what holds more is a room. */
const UNDER_COUNTER_TRAYS = 24;

/**
 * The numbers of a cooled place to begin from, by its size; its own readings teach the real ones.
 *
 * @param trays that it holds
 * @example
 * usualRoomFor(12).heatCapacityJPerK; // 40_000
 */
export const usualRoomFor = (trays: number): Room =>
  trays <= UNDER_COUNTER_TRAYS ? USUAL_UNDER_COUNTER : USUAL_ROOM;
