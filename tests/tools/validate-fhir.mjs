// Validates FHIR resources, one JSON array of bundles on standard input, against the base profiles of R4; writes what is wrong of each.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';

const { Fhir } = createRequire(import.meta.url)('fhir');
const fhir = new Fhir();
const found = JSON.parse(readFileSync(0, 'utf8')).map((bundle) => {
  const resources = [bundle, ...bundle.entry.map((each) => each.resource)];
  return resources.flatMap((resource) =>
    fhir
      .validate(resource, { errorOnUnexpected: true })
      .messages.filter((each) => each.severity === 'error' || each.severity === 'fatal')
      .map((each) => `${resource.resourceType}/${resource.id ?? ''} ${each.location ?? ''}: ${each.message}`),
  );
});
process.stdout.write(JSON.stringify(found));
