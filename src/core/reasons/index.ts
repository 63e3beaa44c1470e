export { references } from './references';
export { type Provenance, commonPractice, provenanceSentence, published, setByYou } from './provenance';
export { provenanceSchema } from './provenanceSchema';
export { inEnglish } from './inEnglish';
export { type Reason, type RecordRef } from './reason';
export { asPart, capital, counted, listed, lowered, often, showsSomething, withoutStop } from './words';
