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
import type { FastifyReply, FastifyRequest } from 'fastify';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { BagStore, type Outcome } from '../db/bags.ts';
import { BagLists } from '../db/list.ts';
import { readSettings } from '../db/owners.ts';
import { sendProblem } from '../plugins/problems.ts';
import { ownerOf } from '../plugins/who.ts';
import { isUuid } from './ids.ts';

const params = z.object({ id: z.string() });

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
  const store = (request: FastifyRequest) => new BagStore(app.db, ownerOf(request));
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
    { config: bags, schema: { tags, querystring: bags.query, response: { 200: bags.answer } } },
    async (request, reply) => {
      const json = await lists.json(ownerOf(request), request.query);
      // It is written down already: nothing is left to be made of it.
      return reply.serializer(() => json).send(WRITTEN);
    },
  );

  app.get(
    '/bags/:id/picture.svg',
    {
      config: { access: 'maker' },
      schema: {
        tags,
        params,
        querystring: z.object({ version: z.string().optional() }),
        response: { 200: z.unknown(), ...missing },
      },
    },
    async (request, reply) => {
      const { id } = request.params;
      const { version } = request.query;
      const picture = isUuid(id) ? await lists.picture(ownerOf(request), id) : undefined;
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
    { config: bag, schema: { tags, params, response: { 200: bag.answer, ...missing } } },
    async (request, reply) => {
      const { id } = request.params;
      const kept = isUuid(id) ? await store(request).find(id) : undefined;
      return kept ?? noSuchBag(reply);
    },
  );

  app.get(
    '/bags/:id/lining.pdf',
    {
      config: { access: 'maker', ...PRINTS },
      schema: { tags, params, response: { 200: z.unknown(), ...missing, 422: problemSchema } },
    },
    async (request, reply) => {
      const { id } = request.params;
      const kept = isUuid(id) ? await store(request).find(id) : undefined;
      if (!kept) return noSuchBag(reply);
      // A damaged bag is told by what is wrong with it.
      if (isDamaged(kept)) return sendProblem(reply, { ...PROBLEMS.badBag, detail: whyDamaged(kept) });
      const gone = new AbortController();
      reply.raw.once('close', () => gone.abort());
      const { hand } = await readSettings(app.db, ownerOf(request));
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
      config: { ...createBag, ...CREATIONS },
      schema: {
        tags,
        body: createBag.body,
        response: { 201: createBag.answer, 409: problemSchema, 422: problemSchema },
      },
    },
    async (request, reply) => {
      const { body } = request;
      const document = checked(reply, body.document);
      if (!document) return reply;
      const made = await store(request).create(body.id, document, body.imported);
      if (made) sumUp(body.id);
      return made ? reply.code(201).send(made) : sendProblem(reply, PROBLEMS.idTaken);
    },
  );

  app.put(
    saveBag.path,
    {
      config: { ...saveBag, ...SAVES },
      schema: {
        tags,
        params,
        body: saveBag.body,
        response: { 200: saveBag.answer, ...clash, 422: problemSchema },
      },
    },
    async (request, reply) => {
      const { body } = request;
      const { id } = request.params;
      if (!isUuid(id)) return noSuchBag(reply);
      const document = checked(reply, body.document);
      if (!document) return reply;
      const outcome = await store(request).save(id, body.save, body.basedOn, document);
      if (outcome.is === 'done') sumUp(id);
      return changed(reply, outcome);
    },
  );

  app.delete(
    deleteBag.path,
    { config: deleteBag, schema: { tags, params, response: { 200: deleteBag.answer, ...missing } } },
    async (request, reply) => {
      const { id } = request.params;
      const gone = isUuid(id) ? await store(request).remove(id) : undefined;
      return gone ?? noSuchBag(reply);
    },
  );

  app.post(
    restoreBag.path,
    {
      config: restoreBag,
      schema: { tags, params, body: restoreBag.body, response: { 200: restoreBag.answer, ...clash } },
    },
    async (request, reply) => {
      const { id } = request.params;
      if (!isUuid(id)) return noSuchBag(reply);
      return changed(reply, await store(request).restore(id, request.body.basedOn));
    },
  );
};
