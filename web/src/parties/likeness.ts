import type { Schemas } from '../api/client';

export type Evidence = Schemas['EvidenceJson'];
export type Candidate = Schemas['CandidateJson'];
export type KnownOf = Schemas['KnownOf'];
export type Topic = Evidence['topic'];

/** What is compared, in the order of the sheet, with what is known of it. */
export const TOPICS: { topic: Topic; name: string; of: (known: KnownOf) => string[] }[] = [
  { topic: 'TAX_IDENTIFIER', name: 'Tax identifier', of: (known) => [known.taxIdentifier] },
  { topic: 'NAME', name: 'Name', of: (known) => [known.name] },
  { topic: 'EMAIL', name: 'E-mail', of: (known) => [known.email] },
  { topic: 'PHONE', name: 'Telephone', of: (known) => [known.phone] },
  {
    topic: 'ADDRESS',
    name: 'Address',
    of: (known) => (known.shipTo === known.billTo ? [known.billTo] : [known.billTo, known.shipTo]),
  },
];

const ANOTHER: Record<Topic, string> = {
  TAX_IDENTIFIER: 'another',
  NAME: 'another number, or of another generation',
  EMAIL: 'another',
  PHONE: 'another',
  ADDRESS: 'another town',
};

const AGREES: Record<Topic, Partial<Record<Evidence['agreement'], string>>> = {
  TAX_IDENTIFIER: { NEARLY: 'one sign is another' },
  NAME: { SAME: 'the same words', NEARLY: 'the same, written another way', PARTLY: 'some of the words' },
  EMAIL: { NEARLY: 'one letter is another', PARTLY: 'another box of the same house' },
  PHONE: { NEARLY: 'nearly the same' },
  ADDRESS: { SAME: 'the same house', PARTLY: 'the same town', OTHER: 'another house in the town' },
};

const USUAL: Record<Evidence['agreement'], string> = {
  SAME: 'the same',
  NEARLY: 'nearly the same',
  PARTLY: 'in part the same',
  SILENT: 'says nothing',
  OTHER: 'another',
  CONTRADICTS: '',
};

const STRENGTH: Record<Evidence['strength'], string> = {
  DECIDES_MUCH: 'decides much',
  STRONG: 'strong',
  FAIR: 'fair',
  SLIGHT: 'slight',
  NOTHING: 'says nothing',
  SOMEWHAT_AGAINST: 'somewhat against',
  AGAINST: 'against',
  MUCH_AGAINST: 'speaks much against',
};

/** How the two compare in one thing, and how much that says. */
export function inWords({ topic, agreement, strength, shared }: Evidence) {
  if (agreement === 'SILENT') {
    return { says: USUAL.SILENT, weighs: '' };
  }
  const says = agreement === 'CONTRADICTS' ? ANOTHER[topic] : (AGREES[topic][agreement] ?? USUAL[agreement]);
  const many = agreement === 'SAME' && topic !== 'NAME' && shared > 1 ? `, as ${shared} there have` : '';
  return { says: says + many, weighs: STRENGTH[strength] };
}

/** What speaks for a candidate and what against it, in bits. */
export function together(evidence: Evidence[]) {
  const sum = (all: number[]) => all.reduce((one, other) => one + other, 0);
  return {
    speaksFor: sum(evidence.map((each) => Math.max(0, each.bits))),
    against: sum(evidence.map((each) => Math.max(0, -each.bits))),
  };
}

const LIKELY = 50;

/** `Likely, one contradiction`: what to think of a candidate on the whole. */
export function verdict(candidate: Candidate): string {
  const against = candidate.evidence.filter(
    (each) => each.agreement === 'CONTRADICTS' && each.bits < 0,
  ).length;
  const likely = candidate.certain ? 'Certain' : candidate.score >= LIKELY ? 'Likely' : 'Open';
  const contradictions =
    against === 0 ? '' : against === 1 ? ', one contradiction' : `, ${against} contradictions`;
  return likely + contradictions;
}

/** Who comes after one, round to whoever is before it: what was left for later comes again at the end. */
export function afterIt<T extends { code: string }>(all: T[], code: string): T[] {
  const at = all.findIndex((each) => each.code === code);
  return [...all.slice(at + 1), ...all.slice(0, Math.max(0, at))];
}
