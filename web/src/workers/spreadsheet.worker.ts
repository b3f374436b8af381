import { type SheetOfFile, sheetsOf } from './spreadsheet.ts';

export type SpreadsheetAnswer = { sheets: SheetOfFile[] } | { error: string };

self.onmessage = async ({ data: file }: MessageEvent<File>) => {
  try {
    postMessage({ sheets: await sheetsOf(file) } satisfies SpreadsheetAnswer);
  } catch (error) {
    postMessage({ error: (error as Error).message } satisfies SpreadsheetAnswer);
  }
};
