import { z } from 'zod';

type Issue = Parameters<NonNullable<Parameters<typeof z.config>[0]>['customError'] & {}>[0];

const TYPES: Record<string, string> = {
  number: 'Write a number.',
  int: 'Write a whole number.',
  string: 'Write some text.',
  boolean: 'Say true or false.',
  array: 'Send a list.',
  object: 'Send its fields by name.',
  date: 'Write a date such as 2026-11-25.',
};

const FORMATS: Record<string, string> = {
  date: 'Write a date such as 2026-11-25.',
  datetime: 'Write a time such as 2026-11-25T09:10:00.000Z.',
  uuid: 'Give it an id that is a UUID.',
};

const UNITS: Record<string, string> = { string: ' characters', array: ' of them', number: '', int: '' };

function ofSize(issue: Issue): string {
  const { code, origin, inclusive, minimum, maximum } = issue as unknown as {
    code: string;
    origin: string;
    inclusive?: boolean;
    minimum?: number;
    maximum?: number;
  };
  const unit = UNITS[origin] ?? '';
  const bound = (code === 'too_small' ? minimum : maximum)!.toLocaleString('en');
  if (code === 'too_small')
    return inclusive === false ? `More than ${bound}${unit}.` : `At least ${bound}${unit}.`;
  return inclusive === false ? `Less than ${bound}${unit}.` : `At most ${bound}${unit}.`;
}

/** What is wrong with a value for which its schema has no sentence of its own. */
export function plainMessage(issue: Issue): string | undefined {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
        ? 'This is missing.'
        : (TYPES[issue.expected] ?? 'Not of the right kind.');
    case 'invalid_value':
      return `One of: ${issue.values.map(String).join(', ')}.`;
    case 'too_small':
    case 'too_big':
      return ofSize(issue);
    case 'invalid_format':
      return FORMATS[issue.format] ?? 'Not in the form that is asked for.';
    case 'not_multiple_of':
      return `A multiple of ${issue.divisor}.`;
    case 'unrecognized_keys':
      return `There is no field called ${issue.keys.map((k) => `"${k}"`).join(', ')} here.`;
    case 'invalid_union':
      return 'In none of the forms that are taken here.';
    default:
      return undefined;
  }
}

z.config({ customError: plainMessage });
