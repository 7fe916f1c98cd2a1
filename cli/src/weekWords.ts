import words from '@calm/domain/words/en/week.json' with { type: 'json' };
import type { WeekDocument } from '@calm/contract';
import type { Demand, Relaxation, WeekFault } from '@calm/core';
import { makeCatalogue } from './catalogue';

const catalogue = await makeCatalogue(words);

/** What makes no sense, and where to mend it. */
export const formatWeekFaultMessage = (fault: WeekFault): string =>
  catalogue.t(`weekFaults.${fault.kind}`, { ...fault });

/** What cannot be made together. */
export function formatConflictMessage(demands: readonly Demand[], document: WeekDocument): string {
  const what = demands.map((demand) => formatDemandMessage(demand, document)).join(', ');
  return catalogue.t('clash', { count: demands.length, what });
}

/** One change that lets it be. */
export function formatRelaxationMessage(way: Relaxation, document: WeekDocument): string {
  const moment = (minute: number) =>
    `${new Date(minute * 60_000).toISOString().slice(0, 16).replace('T', ' ')} UTC`;
  if (way.kind === 'call-in') {
    const { startMin, endMin } = way.when;
    const times = { from: moment(startMin), to: moment(endMin) };
    return catalogue.t('waysOut.call-in', { skill: way.skill, ...times });
  }
  const what = way.kind === 'leave-out' ? formatDemandMessage(way, document) : '';
  return catalogue.t(`waysOut.${way.kind}`, { ...way, what });
}

const formatDemandMessage = (
  { doughId, serviceId }: Demand,
  { services }: WeekDocument,
): string => {
  const service = services.find(({ id }) => id === serviceId);
  return catalogue.t('demand', {
    doughId,
    serviceId,
    at: service ? service.startsAt.slice(0, 16).replace('T', ' ') : '',
  });
};
