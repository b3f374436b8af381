/** Kinds of fault that are seeded: each a place in a line, and what stands there instead. */
export const FAULTS = [
  { what: 'a bound moved', from: / >= /g, to: ' > ' },
  { what: 'a bound moved', from: / <= /g, to: ' < ' },
  { what: 'a bound turned', from: / > (?=[\w(])/g, to: ' <= ' },
  { what: 'a bound turned', from: / < (?=[\w(])/g, to: ' >= ' },
  { what: 'and for or', from: / && /g, to: ' || ' },
  { what: 'or for and', from: / \|\| /g, to: ' && ' },
  { what: 'equal turned', from: / === /g, to: ' !== ' },
  { what: 'equal turned', from: / !== /g, to: ' === ' },
  { what: 'a sum turned', from: /(?<=[\w)\]]) \+ (?=[\w(])/g, to: ' - ' },
  { what: 'a difference turned', from: /(?<=[\w)\]]) - (?=[\w(])/g, to: ' + ' },
  { what: 'a product turned', from: /(?<=[\w)\]]) \* (?=[\w(])/g, to: ' / ' },
  { what: 'a quotient turned', from: /(?<=[\w)\]]) \/ (?=[\w(])/g, to: ' * ' },
  { what: 'most for least', from: /Math\.max\(/g, to: 'Math.min(' },
  { what: 'least for most', from: /Math\.min\(/g, to: 'Math.max(' },
  { what: 'some for every', from: /\.every\(/g, to: '.some(' },
  { what: 'every for some', from: /\.some\(/g, to: '.every(' },
  { what: 'a not left out', from: /(?<=[(\s])!(?=[a-z(])/g, to: '' },
];

/** Lines in which a sign is no sum or comparison of the program's: words, types, looks, queries. */
const LEFT_OUT =
  /^\s*(?:\/?\*|\/\/|import|export type|type |interface |.*(?:className|=>\s*void|SELECT|UPDATE |INSERT|WHERE|throw new|extends ))/;

/** Every fault that can be seeded in a file. */
export function faultsIn(file, text) {
  return text.split('\n').flatMap((line, at) => {
    if (LEFT_OUT.test(line)) return [];
    return FAULTS.flatMap(({ what, from, to }) =>
      [...line.matchAll(from)].map((match) => ({
        file,
        line: at + 1,
        column: match.index,
        was: match[0],
        to,
        what,
      })),
    );
  });
}

/** The file's text with one fault in it. */
export function withFault(text, { line, column, was, to }) {
  const lines = text.split('\n');
  const at = lines[line - 1];
  lines[line - 1] = at.slice(0, column) + to + at.slice(column + was.length);
  return lines.join('\n');
}

/** A row of numbers from 0 to 1 that is the same for the same seed. */
export function seeded(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** So many of a list, no two of one file where there are enough files. */
export function drawn(faults, count, random) {
  const byFile = groupByFile(faults);
  const files = [...byFile.keys()].sort();
  const chosen = [];
  while (chosen.length < count && files.length > 0) {
    const [file] = files.splice(Math.floor(random() * files.length), 1);
    const own = byFile.get(file);
    chosen.push(own[Math.floor(random() * own.length)]);
  }
  return chosen;
}

function groupByFile(faults) {
  const found = new Map();
  for (const fault of faults) found.set(fault.file, [...(found.get(fault.file) ?? []), fault]);
  return found;
}
