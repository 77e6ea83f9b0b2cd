import {
  type BagList,
  clashSchema,
  type DamagedBag,
  isDamaged,
  PROBLEMS,
  problemSchema,
  ROUTES,
  readDocument,
} from '@fennot/core';
import type { FastifyReply } from 'fastify';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { BagStore, type Outcome } from '../db/bags.ts';
import { BagLists } from '../db/list.ts';
import { readSettings } from '../db/owners.ts';
import { sendProblem } from '../plugins/problems.ts';

const params = z.object({ id: z.string() });
const isUuid = (id: string) => z.uuid().safeParse(id).success;

const whyDamaged = ({ damaged }: DamagedBag) => damaged.problems[0]?.message ?? PROBLEMS.badBag.detail;

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

/** Stands for a list whose text is there. */
const WRITTEN: BagList = { bags: [], total: 0 };

/** So many a second from one address: a save is worked out and kept, a print takes seconds of a thread. */
const often = (max: number) => ({ rateLimit: { max, timeWindow: '1 second' } });
const [SAVES, CREATIONS, PRINTS] = [often(300), often(100), often(3)];

/** Bags: list, read, create, save on top of a version, delete and bring back. */
export const bagRoutes: FastifyPluginAsyncZod = async (app) => {
  const store = () => new BagStore(app.db, app.owner);
  const lists = new BagLists(app.db, app.work);
  /** What the list says of a bag, made beside the work: nobody waits for it, and the list makes it if it must. */
  const sumUp = (id: string) => lists.sumLater(id, (error) => app.log.warn(error));
  app.addHook('onClose', async () => lists.close());
  const tags = ['bags'];
  const { bags, bag, createBag, saveBag, deleteBag, restoreBag } = ROUTES;
  const missing = { 404: problemSchema };
  const clash = { ...missing, 409: clashSchema };

  app.get(
    bags.path,
    { schema: { tags, querystring: bags.query, response: { 200: bags.answer } } },
    async ({ query }, reply) => {
      const json = await lists.json(app.owner, query);
      // It is written down already: nothing is left to be made of it.
      return reply.serializer(() => json).send(WRITTEN);
    },
  );

  app.get(
    '/bags/:id/picture.svg',
    {
      schema: {
        tags,
        params,
        querystring: z.object({ version: z.string().optional() }),
        response: { 200: z.unknown(), ...missing },
      },
    },
    async ({ params: { id }, query: { version } }, reply) => {
      const picture = isUuid(id) ? await lists.picture(app.owner, id) : undefined;
      if (picture === undefined) return noSuchBag(reply);
      return reply
        .type('image/svg+xml')
        .header('content-security-policy', "default-src 'none'; style-src 'unsafe-inline'")
        .header('cache-control', version === undefined ? 'no-cache' : 'private, max-age=31536000, immutable')
        .send(picture);
    },
  );

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
    {
      config: PRINTS,
      schema: { tags, params, response: { 200: z.unknown(), ...missing, 422: problemSchema } },
    },
    async ({ params: { id } }, reply) => {
      const kept = isUuid(id) ? await store().find(id) : undefined;
      if (!kept) return noSuchBag(reply);
      // A damaged bag is told by what is wrong with it.
      if (isDamaged(kept)) return sendProblem(reply, { ...PROBLEMS.badBag, detail: whyDamaged(kept) });
      const gone = new AbortController();
      reply.raw.once('close', () => gone.abort());
      const { hand } = await readSettings(app.db, app.owner);
      const pdf = await app.work.lining(kept.document, hand, gone.signal);
      if ('problem' in pdf) return sendProblem(reply, { ...PROBLEMS.badBag, detail: pdf.problem });
      return reply
        .type('application/pdf')
        .header('content-disposition', 'inline; filename="lining.pdf"')
        .send(Buffer.from(pdf));
    },
  );

  app.post(
    createBag.path,
    {
      config: CREATIONS,
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
      if (made) sumUp(body.id);
      return made ? reply.code(201).send(made) : sendProblem(reply, PROBLEMS.idTaken);
    },
  );

  app.put(
    saveBag.path,
    {
      config: SAVES,
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
      const outcome = await store().save(id, body.save, body.basedOn, document);
      if (outcome.is === 'done') sumUp(id);
      return changed(reply, outcome);
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
