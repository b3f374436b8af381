import { type SheetOfFile, sheetsOf } from './spreadsheet.ts';

export type SpreadsheetAnswer = { sheets: SheetOfFile[] } | { error: string };

self.onmessage = async ({ data }: MessageEvent<{ file: File; sign?: string }>) => {
  try {
    postMessage({ sheets: await sheetsOf(data.file, data.sign) } satisfies SpreadsheetAnswer);
  } catch (error) {
    postMessage({ error: (error as Error).message } satisfies SpreadsheetAnswer);
  }
};
