import { hasPermission, type RouteDefinition } from '@calm/contract';
import type { RequestHandler } from 'express';
import { authContext } from './authContext';
import { sendProblem, sendRefusals } from './problems';

/** Lets a request on when whoever asks may do this; whoever may not is answered here, before more is read. */
export function permit({ permission, machine: mayPost }: RouteDefinition): RequestHandler {
  return (_req, res, next) => {
    if (permission === 'public') return next();
    const { arrival, who, machine } = authContext(res);
    if (machine) {
      if (machine.kind === mayPost) return next();
      return sendProblem(res, 'not-allowed', `The token of a ${machine.kind} is not for this.`);
    }
    if (who) {
      if (hasPermission(who.role, permission)) return next();
      return sendProblem(res, 'not-allowed', `A ${who.role} may not do this. Ask a manager.`);
    }
    if (arrival) {
      return sendProblem(res, 'signed-out', 'Sign in first.');
    }
    sendRefusals(res, [{ kind: 'not-found', what: 'house' }]);
  };
}
