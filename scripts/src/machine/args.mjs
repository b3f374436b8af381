import { existsSync, statSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { giveUp } from './say.mjs';

/**
 * What a command was told. It ends with its usage where it was told what it does not know.
 * @param usage as "npm run backup -- FILE [--data DIR]"; @param options as of parseArgs; @param files how many names of files it takes
 */
export function readArgs(usage, options, files = 0) {
  try {
    const { values, positionals } = parseArgs({ options, allowPositionals: files > 0 });
    if (positionals.length === files) return { values, files: positionals };
  } catch (error) {
    if (!String(error.code).startsWith('ERR_PARSE_ARGS')) throw error;
    giveUp(`${error.message.split('. ')[0]}. Write: ${usage}`);
  }
  return giveUp(`Write: ${usage}`);
}

/** A file that is to be written: nothing of its name is there, and its folder is. */
export function newFile(name) {
  const file = resolve(name);
  if (existsSync(file)) giveUp(`${file} is there already. Name a file that is not.`);
  const folder = dirname(file);
  if (!existsSync(folder) || !statSync(folder).isDirectory())
    giveUp(`There is no folder ${folder}. Make it, or name a file in another.`);
  return file;
}

/** A file that is to be read. */
export function presentFile(name) {
  const file = resolve(name);
  if (!existsSync(file)) giveUp(`There is no file ${file}.`);
  if (!statSync(file).isFile()) giveUp(`${file} is no file. Name the file itself.`);
  return file;
}
