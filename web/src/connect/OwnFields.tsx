import type { Schemas } from '../api/client';
import { LineField } from '../ui/LineField';
import { ownFields } from './kinds';

interface Props {
  kind: Schemas['KindJson'];
  answers: Record<string, string>;
  onChange: (answers: Record<string, string>) => void;
}

/** What a kind of system asks for beside its address and key. */
export const OwnFields = ({ kind, answers, onChange }: Props) =>
  ownFields(kind).map((field) => (
    <LineField
      key={field.name}
      label={field.label}
      value={answers[field.name] ?? ''}
      maxLength={300}
      onChange={(text) => onChange({ ...answers, [field.name]: text })}
    />
  ));
