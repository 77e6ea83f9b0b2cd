import { documentShape, planOf, readDocument } from '@fennot/core';
import type { FastifyReply } from 'fastify';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { BagStore, type StoredBag } from '../db/bags.ts';
import { problemSchema, sendProblem } from '../plugins/problems.ts';
import { liningPdf } from '../print/lining-pdf.ts';

const bagSchema = z.object({
  id: z.uuid(),
  version: z.int(),
  updatedAt: z.iso.datetime(),
  document: documentShape,
});
const idParams = z.object({ id: z.string() });
const isUuid = (id: string) => z.uuid().safeParse(id).success;

const noSuchBag = (reply: FastifyReply) =>
  sendProblem(reply, {
    status: 404,
    title: 'No such bag',
    detail: 'There is no bag at this address. It may have been deleted, or the address is mistyped.',
  });

/** Checks a document by hand, so that the answer carries the core's own sentences and paths. */
function checked(reply: FastifyReply, input: unknown) {
  const read = readDocument(input);
  if (read.ok) return read.document;
  sendProblem(reply, {
    status: 422,
    title: 'Bad bag',
    detail: read.problems[0]?.message ?? 'This is not a bag.',
    errors: [...read.problems],
  });
  return undefined;
}

/** Bags: list, read, create, save on top of a version, delete. */
export const bagRoutes: FastifyPluginAsyncZod = async (app) => {
  const store = () => new BagStore(app.db, app.owner);
  const problem = { 404: problemSchema };

  app.get('/bags', { schema: { tags: ['bags'], response: { 200: z.array(bagSchema) } } }, async () =>
    store().list(),
  );

  app.get(
    '/bags/:id',
    { schema: { tags: ['bags'], params: idParams, response: { 200: bagSchema, ...problem } } },
    async ({ params: { id } }, reply) => {
      const bag: StoredBag | undefined = isUuid(id) ? await store().find(id) : undefined;
      return bag ?? noSuchBag(reply);
    },
  );

  app.get(
    '/bags/:id/lining.pdf',
    { schema: { tags: ['bags'], params: idParams, response: { 200: z.unknown(), ...problem } } },
    async ({ params: { id } }, reply) => {
      const bag = isUuid(id) ? await store().find(id) : undefined;
      if (!bag) return noSuchBag(reply);
      const pdf = await liningPdf(planOf(bag.document));
      return reply
        .type('application/pdf')
        .header('content-disposition', 'inline; filename="lining.pdf"')
        .send(pdf);
    },
  );

  app.post(
    '/bags',
    {
      schema: {
        tags: ['bags'],
        body: z.object({ document: z.unknown() }),
        response: { 201: bagSchema, 422: problemSchema },
      },
    },
    async ({ body }, reply) => {
      const document = checked(reply, body.document);
      if (!document) return reply;
      return reply.code(201).send(await store().create(document));
    },
  );

  app.put(
    '/bags/:id',
    {
      schema: {
        tags: ['bags'],
        params: idParams,
        body: z.object({ basedOn: z.int(), document: z.unknown() }),
        response: {
          200: bagSchema,
          ...problem,
          409: problemSchema.extend({ current: bagSchema }),
          422: problemSchema,
        },
      },
    },
    async ({ params: { id }, body }, reply) => {
      if (!isUuid(id)) return noSuchBag(reply);
      const document = checked(reply, body.document);
      if (!document) return reply;
      const result = await store().save(id, body.basedOn, document);
      if (result.saved) return result.bag;
      if (!result.current) return noSuchBag(reply);
      return sendProblem(reply, {
        status: 409,
        title: 'Changed elsewhere',
        detail: 'This bag was changed in another window since you opened it. Nothing was overwritten.',
        more: { current: result.current },
      });
    },
  );

  app.delete(
    '/bags/:id',
    { schema: { tags: ['bags'], params: idParams, response: { 204: z.null(), ...problem } } },
    async ({ params: { id } }, reply) => {
      const gone = isUuid(id) && (await store().remove(id));
      return gone ? reply.code(204).send(null) : noSuchBag(reply);
    },
  );
};
