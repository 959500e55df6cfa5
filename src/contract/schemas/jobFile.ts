import { DOCUMENT_VERSION } from '#core/document/description/job.ts';
import { fileSchema } from './entry.ts';

type Node = Record<string, unknown>;

/** What the open job file looks like, as JSON Schema 2020-12, made from the schema that the server checks with. */
export function jobFileSchema(): Node {
  const standard = fileSchema as unknown as {
    '~standard': { jsonSchema: { input: (options: { target: string }) => Node } };
  };
  const whole = standard['~standard'].jsonSchema.input({ target: 'draft-2020-12' });
  const definitions: Node = {};
  const body = sharing(whole, definitions) as Node;
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: `Margin job file, version ${DOCUMENT_VERSION}`,
    description:
      'One job: what is fitted and wanted, and everything seen and done. Lengths in mm, forces in N, masses in kg, as the names say. Fields that are not known are kept.',
    ...body,
    $defs: definitions,
  };
}

/** The same schema with the corners, which are all alike, written once. */
function sharing(node: unknown, definitions: Node): unknown {
  if (Array.isArray(node)) return node.map((item) => sharing(item, definitions));
  if (typeof node !== 'object' || node === null) return node;
  const properties = (node as { properties?: Node }).properties;
  if (properties && 'LF' in properties && 'RR' in properties) {
    const name =
      'targetMm' in ((properties.LF as { properties?: Node }).properties ?? {}) ? 'corner' : 'toldCorner';
    definitions[name] = sharing(properties.LF, definitions);
    const alike = Object.fromEntries(Object.keys(properties).map((id) => [id, { $ref: `#/$defs/${name}` }]));
    return { ...node, properties: alike };
  }
  return Object.fromEntries(Object.entries(node).map(([key, value]) => [key, sharing(value, definitions)]));
}
