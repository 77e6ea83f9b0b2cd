import { type FieldProblem, fieldProblems, PROBLEMS } from '@fennot/core';
import type { FastifyError, FastifyReply } from 'fastify';
import fp from 'fastify-plugin';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { TooMuchWork, WorkGivenUp } from '../work/work.ts';

interface ProblemOptions {
  readonly status: number;
  readonly title: string;
  readonly detail: string;
  readonly errors?: readonly FieldProblem[];
  /** Members beyond the standard ones. */
  readonly more?: Record<string, unknown>;
}

/** Sends a problem. `detail` is a sentence for the person in front of the screen. */
export function sendProblem(reply: FastifyReply, { status, title, detail, errors, more }: ProblemOptions) {
  const type = `/problems/${title.toLowerCase().replaceAll(/[^a-z]+/g, '-')}`;
  return reply
    .code(status)
    .type('application/problem+json')
    .serializer(JSON.stringify)
    .send({ type, title, status, detail, ...(errors ? { errors } : {}), ...more });
}

/** Nobody reads more than so many problems at once. */
const MOST_TOLD = 20;

/** Codes of a database that is not there, is just going or coming, or has taken too long over a statement. */
const AWAY = [
  'ECONNREFUSED',
  'ECONNRESET',
  'ENOTFOUND',
  'ETIMEDOUT',
  'EPIPE',
  '57P01',
  '57P02',
  '57P03',
  '57014',
  '53300',
];
/** What the driver and its pool say without a code. */
const AWAY_TEXT =
  /Timeout acquiring a connection|Query read timeout|Connection terminated|timeout expired|Connection ended|Unable to acquire/i;

const unreachable = (error: FastifyError) => AWAY.includes(error.code) || AWAY_TEXT.test(error.message);

/** PostgreSQL's code for a full disk. */
const DISK_FULL = '53100';

/** Turns every error of a route into problem details. */
export const problems = fp(async (app) => {
  app.setErrorHandler((error: FastifyError, request, reply) => {
    if (hasZodFastifySchemaValidationErrors(error)) {
      const issues = error.validation.slice(0, MOST_TOLD).map(({ instancePath, message }) => ({
        path: instancePath.replace(/^\//, '').replaceAll('/', '.'),
        message: message ?? 'This field is wrong.',
      }));
      const more = error.validation.length - issues.length;
      if (more > 0) issues.push({ path: '', message: `And ${more} more.` });
      return sendProblem(reply, {
        ...PROBLEMS.badInput,
        ...(issues[0] ? { detail: `${issues[0].path || 'The request'}: ${issues[0].message}` } : {}),
        errors: issues,
      });
    }
    if (error instanceof z.ZodError) {
      const errors = fieldProblems(error);
      return sendProblem(reply, {
        ...PROBLEMS.badInput,
        ...(errors[0] ? { detail: errors[0].message } : {}),
        errors,
      });
    }
    if (error instanceof TooMuchWork) return sendProblem(reply, PROBLEMS.busy);
    if (error instanceof WorkGivenUp) return sendProblem(reply, PROBLEMS.tooLong);
    if (error.code === DISK_FULL) return sendProblem(reply, PROBLEMS.diskFull);
    if (unreachable(error)) return sendProblem(reply, PROBLEMS.databaseAway);
    const status = error.statusCode ?? 500;
    if (status >= 500) request.log.error(error);
    if (status >= 500) return sendProblem(reply, { ...PROBLEMS.serverError, status });
    if (status === PROBLEMS.tooMany.status) return sendProblem(reply, PROBLEMS.tooMany);
    return sendProblem(reply, { status, title: 'Bad request', detail: error.message });
  });
});
