import { fieldPath, Problem, routes } from './index';
import { openApiDocument } from './openapi';

test('the document is OpenAPI 3.1 and names every route with its problems', () => {
  const document = openApiDocument('1.2.3');
  expect(document.openapi).toBe('3.1.0');
  const operations = Object.values(document.paths ?? {}).flatMap((path) => Object.values(path));
  expect(operations.map((operation) => operation.operationId).sort()).toEqual(Object.keys(routes).sort());
  const put = document.paths?.['/api/findings/{findingId}']?.put;
  expect(Object.keys(put?.responses ?? {})).toEqual(
    expect.arrayContaining(['200', '400', '404', '409', '422']),
  );
});

test('every compute route carries an example that it accepts itself', () => {
  const computes = Object.values(routes).filter((route) => route.tag === 'Compute');
  expect(computes.length).toBeGreaterThanOrEqual(5);
  for (const route of computes) {
    expect(
      'body' in route && 'example' in route && route.body.safeParse(route.example).error,
    ).toBeUndefined();
  }
});

test('paths of faults read as people write them', () => {
  expect(fieldPath(['limbs', 3, 'buds', 0, 'atCm'])).toBe('limbs[3].buds[0].atCm');
  expect(fieldPath([])).toBe('');
});

test('a problem keeps both versions', () => {
  const moved = { type: 'moved', title: 'x', status: 409, detail: 'x', instance: '1' };
  const both = { ...moved, yours: { a: 1 }, theirs: { a: 2 } };
  expect(Problem.parse(both)).toEqual(both);
});
