// The OpenAPI 3.1 document, made from the table of routes. Not for the app's bundle.
import { createDocument, type ZodOpenApiOperationObject, type ZodOpenApiPathsObject } from 'zod-openapi';
import { routes } from './allRoutes';
import { Problem } from './problem';
import type { Route } from './route';

/** @param override changes what a schema is described by, as for `z.toJSONSchema` */
export function openApiDocument(
  version: string,
  override?: (of: { jsonSchema: { description?: string | undefined } }) => void,
) {
  const paths: ZodOpenApiPathsObject = {};
  for (const [name, route] of Object.entries(routes) as [string, Route][]) {
    const path = route.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [route.method]: operation(name, route) };
  }
  return createDocument(
    {
      openapi: '3.1.0',
      info: {
        title: 'Mortisect',
        version,
        description:
          'Removal pruning of dead, diseased and damaged wood in fruit trees. Lengths in cm, diameters in mm, angles in degrees. General guidance: the label, local law and licensed practice come first. Texts are in the language of Accept-Language: English or Spanish.',
      },
      paths,
    },
    override && { override },
  );
}

function operation(name: string, route: Route): ZodOpenApiOperationObject {
  const problem = (description: string) => ({
    description,
    content: { 'application/problem+json': { schema: Problem } },
  });
  return {
    operationId: name,
    summary: route.summary,
    tags: [route.tag],
    ...(route.params || route.query
      ? {
          requestParams: {
            ...(route.params && { path: route.params }),
            ...(route.query && { query: route.query }),
          },
        }
      : {}),
    ...(route.rawBody && {
      requestBody: {
        required: true,
        content: Object.fromEntries(
          route.rawBody.types.map((type) => [type, { schema: { type: 'string', format: 'binary' } }]),
        ),
      },
    }),
    ...(route.body && {
      requestBody: {
        required: true,
        content: {
          'application/json': {
            schema: route.body,
            ...(route.example !== undefined && { example: route.example }),
          },
        },
      },
    }),
    ...(route.fromDevice && {
      parameters: [
        { name: 'X-Device-Id', in: 'header', required: true, schema: { type: 'string', format: 'uuid' } },
        {
          name: 'X-Device-Key',
          in: 'header',
          description:
            'What only the device knows. Once it was said, nobody writes in the name of the device without it.',
          schema: { type: 'string' },
        },
      ],
    }),
    responses: {
      200: {
        description: 'Done',
        content: route.rawAnswer
          ? { [route.rawAnswer.split(';')[0] as string]: { schema: { type: 'string', format: 'binary' } } }
          : { 'application/json': { schema: route.response } },
      },
      ...(route.body && {
        400: problem('Not understood; errors[] has the path of each fault'),
        413: problem('Too large'),
      }),
      ...(!route.open && { 401: problem('The passphrase is asked for first') }),
      ...(route.fromDevice && {
        403: problem('The device is another’s'),
        409: problem('Moved meanwhile; yours and theirs are both given'),
        422: problem('Does not fit what stands'),
      }),
      ...(route.params && { 404: problem('Not there') }),
    },
  };
}
