// At the end of a run that failed: where the traces and pictures of what failed lie, and which journeys took longest.
import path from 'node:path';
import type { FullConfig, FullResult, Reporter, TestCase, TestResult } from '@playwright/test/reporter';

export default class EndOfJourneys implements Reporter {
  private folder = 'e2e/results';
  private readonly seconds: [string, number][] = [];

  onBegin(config: FullConfig): void {
    this.folder = path.relative(process.cwd(), config.projects[0]?.outputDir ?? this.folder);
  }

  onTestEnd(test: TestCase, result: TestResult): void {
    this.seconds.push([test.titlePath().slice(2).join(' › '), result.duration / 1000]);
  }

  onEnd({ status }: FullResult): void {
    const longest = this.seconds.sort((a, b) => b[1] - a[1]).slice(0, 6);
    for (const [title, seconds] of longest) process.stdout.write(`  ${seconds.toFixed(0)} s  ${title}\n`);
    if (status !== 'passed')
      process.stdout.write(
        `\nTraces and pictures of what failed: ${this.folder} (npx playwright show-trace …)\n`,
      );
  }
}
