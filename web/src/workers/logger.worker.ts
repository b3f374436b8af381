import type { LoggerAnswers, LoggerReading } from '@inch/core/instrument';
import { readLoggerText } from './loggerText.ts';

export interface LoggerQuestion {
  text: string;
  timeZone: string;
  answers: LoggerAnswers;
}

export type LoggerAnswer = { reading: LoggerReading } | { error: string };

self.onmessage = ({ data }: MessageEvent<LoggerQuestion>) => {
  try {
    postMessage({ reading: readLoggerText(data.text, data.timeZone, data.answers) } satisfies LoggerAnswer);
  } catch (error) {
    postMessage({ error: (error as Error).message } satisfies LoggerAnswer);
  }
};
