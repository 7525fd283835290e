import type { Page } from '@playwright/test';

/** Overlaps smaller than this share of the smaller text come from the space around letters. */
const LEAST_OVERLAP = 0.25;
const SLACK_PX = 2;

/** Text inside drawings that runs out of its drawing, or lies over other text; empty where all can be read. */
export const unreadableText = (page: Page): Promise<string[]> =>
  page.evaluate(
    ({ leastOverlap, slackPx }) => {
      const found: string[] = [];
      for (const svg of document.querySelectorAll('main svg:not(.anticon svg)')) {
        const frame = svg.getBoundingClientRect();
        const texts = [...svg.querySelectorAll('text')]
          .map((text) => ({ words: text.textContent.trim(), box: text.getBoundingClientRect() }))
          .filter(({ words, box }) => words !== '' && box.width > 0);
        for (const { words, box } of texts)
          if (
            box.left < frame.left - slackPx ||
            box.right > frame.right + slackPx ||
            box.top < frame.top - slackPx ||
            box.bottom > frame.bottom + slackPx
          )
            found.push(`cut off: ${words}`);
        texts.forEach(({ words, box }, i) => {
          for (const other of texts.slice(i + 1)) {
            const width = Math.min(box.right, other.box.right) - Math.max(box.left, other.box.left);
            const height = Math.min(box.bottom, other.box.bottom) - Math.max(box.top, other.box.top);
            if (width <= 0 || height <= 0) continue;
            const smaller = Math.min(box.width * box.height, other.box.width * other.box.height);
            if (width * height > leastOverlap * smaller)
              found.push(`over one another: ${words} / ${other.words}`);
          }
        });
      }
      return found;
    },
    { leastOverlap: LEAST_OVERLAP, slackPx: SLACK_PX },
  );
