import { planSchema } from '@glimmer/core/plan/reading';
import { belongingNames } from '@glimmer/core/workshop';
import { z } from 'zod';
import { problemCodes, statusOf } from './problems.ts';

/** What the shelf may be asked for. */
export const listQuery = z.object({ shelf: z.enum(['open', 'away']).default('open') });
/** Body of a request that puts a plan away or back. */
export const putAwayBody = z.strictObject({ putAway: z.boolean() });
/** The id in an address. */
export const idParam = z.object({ id: z.uuid() });

const ref = (name: string) => ({ $ref: `#/components/schemas/${name}` });
const json = (schema: object, description: string) => ({
  description,
  content: { 'application/json': { schema } },
});
const problems = (...statuses: readonly number[]) =>
  Object.fromEntries(
    statuses.map((status) => [
      `${status}`,
      {
        description: problemCodes.filter((code) => statusOf(code) === status).join(', '),
        content: { 'application/problem+json': { schema: ref('Problem') } },
      },
    ]),
  );
const toSchema = (schema: z.ZodType): object => {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, {
    target: 'draft-2020-12',
    io: 'input',
    unrepresentable: 'any',
  });
  return rest;
};

const keptPlan = z.object({
  plan: z.any(),
  revision: z.number().int().min(1),
  updatedAt: z.iso.datetime(),
  putAway: z.boolean(),
  saveId: z.uuid().nullable(),
});
const problem = z.object({
  type: z.string(),
  code: z.enum(problemCodes),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  problems: z.array(z.object({ place: z.string(), message: z.string() })).optional(),
  revision: z.number().int().optional(),
});
const facts = z.looseObject({ state: z.enum(['reckoned', 'broken']) });
const shelfEntry = z.object({
  id: z.uuid(),
  name: z.string(),
  revision: z.number().int(),
  updatedAt: z.iso.datetime(),
  isReckoned: z.boolean(),
  facts: facts.nullable(),
});
const example = z.object({ id: z.uuid(), name: z.string(), shows: z.string() });

const belonging = z.object({ value: z.array(z.any()).optional(), revision: z.number().int().min(0) });
const takenIn = z.object({
  added: z.array(z.string()),
  same: z.array(z.string()),
  asCopies: z.array(z.string()),
});

const idParameter = { name: 'id', in: 'path', required: true, schema: { type: 'string', format: 'uuid' } };
const header = (name: string, description: string, required = false) => ({
  name,
  in: 'header',
  required,
  description,
  schema: { type: 'string' },
});
const planBody = { required: true, content: { 'application/json': { schema: ref('Plan') } } };

/** What the server says of itself. */
const itself = () => ({
  '/api/health': {
    get: {
      summary: 'Whether the store answers',
      responses: { 200: json({ type: 'object' }, 'It does'), ...problems(503) },
    },
  },
  '/api/problems': {
    get: {
      summary: 'What each problem means, as a page',
      responses: { 200: { description: 'The page', content: { 'text/html': {} } } },
    },
  },
  '/api/openapi.json': { get: { summary: 'This document', responses: { 200: json({ type: 'object' }, 'It') } } },
  '/api/events': {
    get: {
      summary:
        'Server-sent events: "plan" with id, revision and saveId after a save; "shelf" with id after a reckoning',
      responses: { 200: { description: 'A stream', content: { 'text/event-stream': {} } } },
    },
  },
});

/** What a plan can begin from. */
const ofExamples = () => ({
  '/api/examples': {
    get: {
      summary: 'Example pieces, in the order in which they are offered',
      responses: {
        200: json(
          {
            type: 'object',
            required: ['examples'],
            properties: { examples: { type: 'array', items: ref('Example') } },
          },
          'Each with what it shows',
        ),
      },
    },
  },
  '/api/examples/{id}': {
    parameters: [idParameter],
    get: {
      summary: 'The plan of an example',
      responses: {
        200: json(
          { type: 'object', required: ['plan'], properties: { plan: ref('Plan') } },
          'To be added under an id of its own',
        ),
        ...problems(404),
      },
    },
  },
  '/api/examples/{id}/facts': {
    parameters: [idParameter],
    get: {
      summary: 'An example as the shelf would show it',
      responses: { 200: json(toSchema(facts), 'Its facts'), ...problems(404) },
    },
  },
});

/** The plans, one by one. */
const ofPlans = () => ({
  '/api/plans': {
    get: {
      summary: 'The plans on the shelf, or put away',
      parameters: [{ name: 'shelf', in: 'query', schema: toSchema(listQuery.shape.shelf) }],
      responses: {
        200: json(
          { type: 'object', required: ['plans'], properties: { plans: { type: 'array', items: ref('ShelfEntry') } } },
          'The plans, without their documents',
        ),
        ...problems(400, 503),
      },
    },
    post: {
      summary: 'Adds a plan',
      requestBody: planBody,
      responses: { 201: json(ref('KeptPlan'), 'It is kept'), ...problems(400, 409, 413, 415, 422, 503) },
    },
  },
  '/api/plans/{id}': {
    parameters: [idParameter],
    get: {
      summary: 'One plan',
      responses: { 200: json(ref('KeptPlan'), 'The plan'), ...problems(400, 404, 503) },
    },
    put: {
      summary: 'Saves a plan over the revision that it is based on',
      parameters: [
        header('If-Match', 'The revision that the change is based on, such as "12"', true),
        header('Save-Id', 'An id of this save: the same once more is confirmed once more'),
        header('Prefer', '"return=minimal": the plan is not sent back'),
      ],
      requestBody: planBody,
      responses: { 200: json(ref('KeptPlan'), 'It is kept'), ...problems(400, 404, 409, 413, 415, 422, 428, 503) },
    },
    patch: {
      summary: 'Puts a plan away, or brings it back',
      requestBody: { required: true, content: { 'application/json': { schema: toSchema(putAwayBody) } } },
      responses: { 200: json(ref('KeptPlan'), 'It is so'), ...problems(400, 404, 415, 503) },
    },
    delete: {
      summary: 'Deletes a plan that is put away, for good; the answer is the last there is of it',
      responses: { 200: json(ref('KeptPlan'), 'It is gone'), ...problems(400, 404, 409, 503) },
    },
  },
});

/** What a workshop has beside its plans, and all of it as one file. */
const ofWorkshop = () => ({
  '/api/workshop/{name}': {
    parameters: [{ name: 'name', in: 'path', required: true, schema: { type: 'string', enum: [...belongingNames] } }],
    get: {
      summary: 'What a workshop has beside its plans; revision 0 = nothing yet',
      responses: { 200: json(ref('Belonging'), 'It'), ...problems(404, 503) },
    },
    put: {
      summary: 'Keeps it over the revision that the change is based on',
      parameters: [header('If-Match', 'The revision that the change is based on, such as "0"', true)],
      requestBody: { required: true, content: { 'application/json': { schema: { type: 'array', items: {} } } } },
      responses: {
        200: json(ref('Belonging'), 'It is kept'),
        ...problems(400, 404, 409, 413, 415, 422, 428, 503),
      },
    },
  },
  '/api/archive': {
    get: {
      summary: 'Everything of the workshop as one ZIP: plans with versions and pictures, desk, drawer, own parts',
      responses: { 200: { description: 'The archive', content: { 'application/zip': {} } }, ...problems(503) },
    },
    post: {
      summary: 'Takes in an archive, whole or not at all; what is here and differs gets it as a copy beside',
      requestBody: { required: true, content: { 'application/zip': {} } },
      responses: { 200: json(ref('TakenIn'), 'What became of each plan'), ...problems(400, 413, 422, 503) },
    },
  },
});

/** What can be asked of the server, as an OpenAPI 3.1 document made from the schemas that it checks with. */
export const describeApi = () => ({
  openapi: '3.1.0',
  info: {
    title: 'Unruly Glimmer',
    version: '1',
    description: 'Keeps plans on this machine. It answers this machine alone, by its own name.',
  },
  paths: { ...itself(), ...ofExamples(), ...ofPlans(), ...ofWorkshop() },
  components: {
    schemas: {
      Plan: toSchema(planSchema),
      Belonging: toSchema(belonging),
      TakenIn: toSchema(takenIn),
      KeptPlan: { ...toSchema(keptPlan), required: ['revision', 'updatedAt', 'putAway', 'saveId'] },
      ShelfEntry: toSchema(shelfEntry),
      Example: toSchema(example),
      Problem: toSchema(problem),
    },
  },
});
