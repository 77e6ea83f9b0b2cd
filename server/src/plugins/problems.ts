import { fieldProblems } from '@fennot/core';
import type { FastifyError, FastifyReply } from 'fastify';
import fp from 'fastify-plugin';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';
import { z } from 'zod';

/** An answer that is not what was asked for, as RFC 9457 problem details. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number(),
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
});
export type Problem = z.infer<typeof problemSchema>;

interface ProblemOptions {
  readonly status: number;
  readonly title: string;
  readonly detail: string;
  readonly errors?: Problem['errors'];
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

const unreachable = (error: FastifyError) =>
  ['ECONNREFUSED', 'ECONNRESET', 'ENOTFOUND', '57P01', '57P03'].includes(error.code) ||
  /Timeout acquiring a connection/.test(error.message);

/** PostgreSQL's code for a full disk. */
const DISK_FULL = '53100';

/** Turns every error of a route into problem details. */
export const problems = fp(async (app) => {
  app.setErrorHandler((error: FastifyError, request, reply) => {
    if (hasZodFastifySchemaValidationErrors(error)) {
      const issues = error.validation.map(({ instancePath, message }) => ({
        path: instancePath.replace(/^\//, '').replaceAll('/', '.'),
        message: message ?? 'This field is wrong.',
      }));
      return sendProblem(reply, {
        status: 400,
        title: 'Bad input',
        detail: issues[0]
          ? `${issues[0].path || 'The request'}: ${issues[0].message}`
          : 'The request is wrong.',
        errors: issues,
      });
    }
    if (error instanceof z.ZodError) {
      const errors = fieldProblems(error);
      return sendProblem(reply, {
        status: 400,
        title: 'Bad input',
        detail: errors[0]?.message ?? 'The request is wrong.',
        errors,
      });
    }
    if (error.code === DISK_FULL)
      return sendProblem(reply, {
        status: 507,
        title: 'Disk full',
        detail: 'The disk of the Fennot server is full, so nothing new can be saved. Free some space there.',
      });
    if (unreachable(error))
      return sendProblem(reply, {
        status: 503,
        title: 'Database away',
        detail: 'The Fennot server cannot reach its database just now. It keeps trying.',
      });
    const status = error.statusCode ?? 500;
    if (status >= 500) request.log.error(error);
    return sendProblem(reply, {
      status,
      title: status === 429 ? 'Too many requests' : status >= 500 ? 'Server error' : 'Bad request',
      detail: status >= 500 ? 'Something went wrong in the Fennot server. Its log says what.' : error.message,
    });
  });
});
