import type { Kitchen } from '@inch/contract/kitchen/kitchen';
import { type Inquiry, processInquiry } from '@inch/core/formula';
import { momentIn, type Sheet } from './paper.ts';

/** What is sent to a process authority about a product that no listed process covers. */
export function inquirySheet(inquiry: Inquiry, kitchen: Kitchen, now: string): Sheet {
  const { content, forecast } = inquiry;
  const covered = Boolean(content.processId) && forecast.processFault === null;
  return {
    title: `Process inquiry: ${inquiry.product.name}`,
    verdict: covered
      ? 'A listed process matches it; this asks about it all the same.'
      : 'No tested process is known for it. It is not sold from the shelf until there is one.',
    released: false,
    head: [
      `${kitchen.name}, ${kitchen.place}`,
      `A ${inquiry.product.kind}. Written ${momentIn(now, kitchen.timeZone)}.`,
    ],
    parts: processInquiry(inquiry),
    at: now,
    toSign: false,
    foot: 'Forecast figures are calculated from published compositions; measured ones are of the finished product, by instruments within their checks. No process is proposed here.',
  };
}
