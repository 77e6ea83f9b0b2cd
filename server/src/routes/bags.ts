import { clashSchema, isDamaged, PROBLEMS, planned, problemSchema, ROUTES, readDocument } from '@fennot/core';
import type { FastifyReply } from 'fastify';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { BagStore, type Outcome } from '../db/bags.ts';
import { sendProblem } from '../plugins/problems.ts';
import { liningPdf } from '../print/lining-pdf.ts';

const params = z.object({ id: z.string() });
const isUuid = (id: string) => z.uuid().safeParse(id).success;

const noSuchBag = (reply: FastifyReply) => sendProblem(reply, PROBLEMS.noSuchBag);

/** The bag as it is now, or why it was not changed. */
function changed<T>(reply: FastifyReply, outcome: Outcome<T>) {
  switch (outcome.is) {
    case 'done':
      return outcome.bag;
    case 'missing':
      return noSuchBag(reply);
    case 'clash':
      return sendProblem(reply, { ...PROBLEMS.changedElsewhere, more: { current: outcome.current } });
  }
}

/** Checks a document by hand, so that the answer carries the core's own sentences and paths. */
function checked(reply: FastifyReply, input: unknown) {
  const read = readDocument(input);
  if (read.ok) return read.document;
  const [first] = read.problems;
  sendProblem(reply, {
    ...PROBLEMS.badBag,
    ...(first ? { detail: first.message } : {}),
    errors: read.problems,
  });
  return undefined;
}

/** Bags: list, read, create, save on top of a version, delete and bring back. */
export const bagRoutes: FastifyPluginAsyncZod = async (app) => {
  const store = () => new BagStore(app.db, app.owner);
  const tags = ['bags'];
  const { bags, bag, createBag, saveBag, deleteBag, restoreBag } = ROUTES;
  const missing = { 404: problemSchema };
  const clash = { ...missing, 409: clashSchema };

  app.get(bags.path, { schema: { tags, response: { 200: bags.answer } } }, async () => store().list());

  app.get(
    bag.path,
    { schema: { tags, params, response: { 200: bag.answer, ...missing } } },
    async ({ params: { id } }, reply) => {
      const kept = isUuid(id) ? await store().find(id) : undefined;
      return kept ?? noSuchBag(reply);
    },
  );

  app.get(
    '/bags/:id/lining.pdf',
    { schema: { tags, params, response: { 200: z.unknown(), ...missing, 422: problemSchema } } },
    async ({ params: { id } }, reply) => {
      const kept = isUuid(id) ? await store().find(id) : undefined;
      if (!kept) return noSuchBag(reply);
      const answer = isDamaged(kept)
        ? { ok: false as const, problem: kept.damaged.problems[0]?.message ?? PROBLEMS.badBag.detail }
        : planned(kept.document);
      if (!answer.ok) return sendProblem(reply, { ...PROBLEMS.badBag, detail: answer.problem });
      const pdf = await liningPdf(answer.plan);
      return reply
        .type('application/pdf')
        .header('content-disposition', 'inline; filename="lining.pdf"')
        .send(pdf);
    },
  );

  app.post(
    createBag.path,
    {
      schema: {
        tags,
        body: createBag.body,
        response: { 201: createBag.answer, 409: problemSchema, 422: problemSchema },
      },
    },
    async ({ body }, reply) => {
      const document = checked(reply, body.document);
      if (!document) return reply;
      const made = await store().create(body.id, document, body.imported);
      return made ? reply.code(201).send(made) : sendProblem(reply, PROBLEMS.idTaken);
    },
  );

  app.put(
    saveBag.path,
    {
      schema: {
        tags,
        params,
        body: saveBag.body,
        response: { 200: saveBag.answer, ...clash, 422: problemSchema },
      },
    },
    async ({ params: { id }, body }, reply) => {
      if (!isUuid(id)) return noSuchBag(reply);
      const document = checked(reply, body.document);
      if (!document) return reply;
      return changed(reply, await store().save(id, body.save, body.basedOn, document));
    },
  );

  app.delete(
    deleteBag.path,
    { schema: { tags, params, response: { 200: deleteBag.answer, ...missing } } },
    async ({ params: { id } }, reply) => {
      const gone = isUuid(id) ? await store().remove(id) : undefined;
      return gone ?? noSuchBag(reply);
    },
  );

  app.post(
    restoreBag.path,
    { schema: { tags, params, body: restoreBag.body, response: { 200: restoreBag.answer, ...clash } } },
    async ({ params: { id }, body }, reply) => {
      if (!isUuid(id)) return noSuchBag(reply);
      return changed(reply, await store().restore(id, body.basedOn));
    },
  );
};
