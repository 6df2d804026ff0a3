// At the end of a run: which journeys took longest; of those that failed what their page showed, and where traces and pictures lie.
import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { FullConfig, FullResult, Reporter, TestCase, TestResult } from '@playwright/test/reporter';

/** Whoever reads only what a check printed should know which page it was that failed. */
const LINES_SHOWN = 60;

export default class EndOfJourneys implements Reporter {
  private folder = 'e2e/results';
  private readonly seconds: [string, number][] = [];
  private readonly showed: string[] = [];

  onBegin(config: FullConfig): void {
    this.folder = path.relative(process.cwd(), config.projects[0]?.outputDir ?? this.folder);
  }

  onTestEnd(test: TestCase, result: TestResult): void {
    const title = test.titlePath().slice(2).join(' › ');
    this.seconds.push([title, result.duration / 1000]);
    const told = result.attachments.find(({ name }) => name === 'error-context')?.path;
    const page = told && /```yaml\n(.*?)```/s.exec(readFileSync(told, 'utf8'))?.[1];
    if (page)
      this.showed.push([`Shown by ${title}:`, ...page.split('\n').slice(0, LINES_SHOWN)].join('\n  '));
  }

  onEnd({ status }: FullResult): void {
    const longest = this.seconds.sort((a, b) => b[1] - a[1]).slice(0, 6);
    for (const [title, seconds] of longest) process.stdout.write(`  ${seconds.toFixed(0)} s  ${title}\n`);
    for (const page of this.showed) process.stdout.write(`\n${page}\n`);
    if (status !== 'passed')
      process.stdout.write(
        `\nTraces and pictures of what failed: ${this.folder} (npx playwright show-trace …)\n`,
      );
  }
}
