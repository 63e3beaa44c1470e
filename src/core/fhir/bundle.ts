import { addDays } from '../record/day';
import { drillOf } from '../sequence';
import { homeWords, type HomePlan } from '../home';
import { type Kept, measuredIn, questionInWords } from '../track';
import { notice } from '../formats';

/** A resource of HL7 FHIR R4, as far as this writes any. */
type Resource = { resourceType: string; id: string } & Record<string, unknown>;

export interface Bundle {
  resourceType: 'Bundle';
  type: 'collection';
  timestamp: string;
  entry: { fullUrl: string; resource: Resource }[];
}

/** Where addresses of resources begin: a name that leads nowhere, so that nothing is ever asked of it. */
const base = 'https://kokyu.invalid/fhir';
/** The studio’s own words, where no published code says the same. */
const own = (of: string) => `${base}/CodeSystem/${of}`;

/**
 * Measures that a published code names. Where none does, the studio’s own code stands alone; it stands beside the published one too.
 *
 * @source LOINC 9279-1, Respiratory rate [R15]
 */
const loincOf: Readonly<Record<string, { code: string; display: string }>> = {
  'quietLook.rate': { code: '9279-1', display: 'Respiratory rate' },
};

/** Units as UCUM writes them. What is no unit, like points of a sheet, is dimensionless with its words. @source UCUM: /min, s, cm, deg, % [R15] */
const ucumOf: Readonly<Record<string, string>> = {
  'a minute': '/min',
  s: 's',
  cm: 'cm',
  'cm to the floor': 'cm',
  degrees: 'deg',
  '% of trunk height': '%',
};

/** What a bundle is made of: what is kept of one client. */
interface FhirInput extends Kept {
  client: { id: string; name: string; born: string | null };
  studio: string;
  /** UTC, ISO */
  exportedAt: string;
  homes: readonly { visitId: string; plan: HomePlan }[];
}

const text = (words: string) => ({ text: words });
const concept = (system: string, code: string, display: string) => ({
  coding: [{ system, code, display }],
  text: display,
});

/** Identifiers of FHIR: letters, figures, hyphens and points, at most 64. */
const asId = (id: string) => id.replace(/[^A-Za-z0-9.-]/g, '-').slice(0, 64);

/** What was told, as one answered questionnaire a day. */
function questionnaires({ facts, client }: FhirInput): Resource[] {
  const days = [...new Set(facts.map(({ day }) => day))];
  return days.map((day) => {
    const said = facts.filter((fact) => fact.day === day);
    return {
      resourceType: 'QuestionnaireResponse',
      id: asId(`told-${day}`),
      status: 'completed',
      subject: { reference: `Patient/${client.id}` },
      authored: said.at(-1)!.at,
      item: said.map(({ key, value }) => ({
        linkId: key,
        text: questionInWords(key),
        answer: [answerOf(value)],
      })),
    };
  });
}

function answerOf(value: unknown): Record<string, unknown> {
  const plain = (value as { value?: unknown } | null)?.value ?? value;
  const details =
    typeof value === 'object' && value !== null && Object.keys(value).length > 1 ? ` ${JSON.stringify(value)}` : '';
  if (typeof plain === 'boolean') return { valueBoolean: plain };
  if (typeof plain === 'number') return { valueDecimal: plain };
  const words = typeof plain === 'string' ? plain : JSON.stringify(plain);
  return { valueString: `${words}${details}`.trim() || 'nothing said' };
}

const observations = ({ looks, client }: FhirInput): Resource[] =>
  measuredIn(looks).map(({ takenAt, visitId, moment, protocol, measure, name, reading, value, unit, position }, at) => {
    const code = `${protocol}.${measure}`;
    const published = loincOf[code];
    const ucum = ucumOf[unit];
    return {
      resourceType: 'Observation',
      id: asId(`seen-${at + 1}`),
      status: 'final',
      code: {
        coding: [
          ...(published ? [{ system: 'http://loinc.org', ...published }] : []),
          { system: own('measure'), code, display: name },
        ],
        text: name,
      },
      subject: { reference: `Patient/${client.id}` },
      effectiveDateTime: takenAt,
      valueQuantity: {
        value,
        unit,
        ...(ucum ? { system: 'http://unitsofmeasure.org', code: ucum } : {}),
      },
      note: [
        text(
          `Reading ${reading} of this look, ${moment} the work of visit ${visitId}${position ? `, ${position}` : ''}.`,
        ),
      ],
    };
  });

const carePlans = ({ homes, client, exportedAt }: FhirInput): Resource[] =>
  homes.map(({ visitId, plan }) => {
    const end = addDays(plan.from, plan.days - 1);
    return {
      resourceType: 'CarePlan',
      id: asId(`home-${visitId}`),
      status: end < exportedAt.slice(0, 10) ? 'completed' : 'active',
      intent: 'plan',
      title: 'At home',
      subject: { reference: `Patient/${client.id}` },
      period: { start: plan.from, end },
      activity: plan.items.map(({ id, item }) => {
        const { name, where, dose, breath } = homeWords(item, 'kg');
        const times = plan.goes.filter(({ itemId }) => itemId === id).map(({ at }) => at);
        return {
          detail: {
            status: end < exportedAt.slice(0, 10) ? 'completed' : 'in-progress',
            code: concept(own('drill'), item.drillId, name),
            description: [where, dose, breath, times.length > 0 ? `At ${times.join(', ')}.` : '']
              .filter(Boolean)
              .join(' '),
          },
        };
      }),
    };
  });

const procedures = ({ runs, client }: FhirInput): Resource[] =>
  runs
    .flatMap(({ day, drills }) => drills.map((one) => ({ day, one })))
    .map(({ day, one }, at) => {
      const { name } = drillOf({ drillId: one.drillId });
      return {
        resourceType: 'Procedure',
        id: asId(`done-${at + 1}`),
        status: one.delivered > 0 ? 'completed' : 'not-done',
        code: concept(own('drill'), one.drillId, name),
        subject: { reference: `Patient/${client.id}` },
        performedDateTime: day,
        note: [
          text(
            [
              `${one.delivered} of ${one.breaths * one.sets} breaths`,
              one.position,
              one.side === 'none' ? '' : `side: ${one.side}`,
              one.effort === null ? '' : `effort ${one.effort} of 10`,
              one.outcome ?? '',
            ]
              .filter(Boolean)
              .join(', '),
          ),
        ],
      };
    });

/** What was said of touch, each time it was said. @source HL7 consentscope "treatment"; LOINC 59284-0, Patient Consent (from memory) [R15] */
const consents = ({ facts, client, studio }: FhirInput): Resource[] =>
  facts
    .filter(({ key }) => key === 'touch')
    .map(({ at, value }, place) => ({
      resourceType: 'Consent',
      id: asId(`touch-${place + 1}`),
      status: 'active',
      scope: concept('http://terminology.hl7.org/CodeSystem/consentscope', 'treatment', 'Treatment'),
      category: [concept('http://loinc.org', '59284-0', 'Patient Consent')],
      patient: { reference: `Patient/${client.id}` },
      dateTime: at,
      organization: [{ display: studio }],
      policyRule: text(`Being touched by the coach, as it was said: ${String(value)}.`),
      provision: { type: value === 'yes' || value === 'own hands' ? 'permit' : 'deny' },
    }));

const notes = ({ visits, client }: FhirInput): Resource[] =>
  visits.map(({ id, startedAt, endedAt, note }) => ({
    resourceType: 'Encounter',
    id: asId(`visit-${id}`),
    status: endedAt === null ? 'in-progress' : 'finished',
    class: { system: 'http://terminology.hl7.org/CodeSystem/v3-ActCode', code: 'AMB', display: 'ambulatory' },
    subject: { reference: `Patient/${client.id}` },
    period: { start: startedAt, ...(endedAt === null ? {} : { end: endedAt }) },
    ...(note && note.text !== ''
      ? { text: { status: 'additional', div: `<div xmlns="http://www.w3.org/1999/xhtml">${inXhtml(note.text)}</div>` } }
      : {}),
  }));

const inXhtml = (words: string) =>
  words
    .replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!)
    // What no XML may hold.
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/\n/g, '<br/>');

/**
 * What is kept of a client, for another system: a Bundle of HL7 FHIR R4 (4.0.1) with the person, each visit, what was told (a
 * QuestionnaireResponse a day), each reading (an Observation, with LOINC and UCUM where they have it), what was done (Procedure), what went
 * home (CarePlan), what was said of touch (Consent), and where all of it comes from (Provenance).
 *
 * @source HL7 FHIR R4, 4.0.1 [R15]
 * @example bundleOf({ client: { id: 'a', name: 'Ilse', born: null }, studio: 'S', exportedAt: '2026-11-27T10:00:00.000Z', facts: [], visits: [], looks: [], runs: [], lifts: [], homes: [] }).entry.length // 2
 */
export function bundleOf(input: FhirInput): Bundle {
  const { client, studio, exportedAt } = input;
  const patient: Resource = {
    resourceType: 'Patient',
    id: client.id,
    name: [{ text: client.name }],
    ...(client.born ? { birthDate: client.born } : {}),
  };
  const all = [
    patient,
    ...notes(input),
    ...questionnaires(input),
    ...observations(input),
    ...procedures(input),
    ...carePlans(input),
    ...consents(input),
  ];
  const provenance: Resource = {
    resourceType: 'Provenance',
    id: 'from-kokyu',
    target: all.map(({ resourceType, id }) => ({ reference: `${resourceType}/${id}` })),
    recorded: exportedAt,
    agent: [{ type: text('recorded and exported by'), who: { display: studio } }],
    activity: text(`Exported from Kokyu. ${notice}`),
  };
  return {
    resourceType: 'Bundle',
    type: 'collection',
    timestamp: exportedAt,
    entry: [...all, provenance].map((resource) => ({
      fullUrl: `${base}/${resource.resourceType}/${resource.id}`,
      resource,
    })),
  };
}
