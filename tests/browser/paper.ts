/** What a page prints: its sheets, in millimetres, as a PDF library reads them. */
import type { Page } from 'playwright-core';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

export interface Sheet {
  readonly width: number;
  readonly height: number;
}
/** ISO 216. */
export const A5: Sheet = { width: 148, height: 210 };

const MM_PER_POINT = 25.4 / 72;

export async function printedPages(page: Page): Promise<readonly Sheet[]> {
  const bytes = await page.pdf({ preferCSSPageSize: true });
  const pdf = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  return Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) => {
      const { width, height } = (await pdf.getPage(i + 1)).getViewport({ scale: 1 });
      return { width: Math.round(width * MM_PER_POINT), height: Math.round(height * MM_PER_POINT) };
    }),
  );
}
