import { spawnSync } from 'node:child_process';
import type { Reporter, TestModule } from 'vitest/node';

/** Longer than any test may wait (see testTimeout), so that one that waits in vain fails by itself. */
const MINUTES = 12;

/** A test that turns round for ever never fails: what says nothing for so long is named and ended. */
export default class Silence implements Reporter {
  private readonly running = new Map<string, string>();
  private timer: NodeJS.Timeout | undefined;

  onTestModuleQueued({ id, relativeModuleId }: TestModule): void {
    this.running.set(id, relativeModuleId);
    this.heard();
  }
  onTestCaseResult(): void {
    this.heard();
  }
  onTestModuleEnd({ id }: TestModule): void {
    this.running.delete(id);
    this.heard();
  }
  onTestRunEnd(): void {
    clearTimeout(this.timer);
  }
  private heard(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      console.error(`\nNothing ended for ${MINUTES} minutes. Still running: ${[...this.running.values()].join(', ')}`);
      spawnSync('pkill', ['-KILL', '-P', String(process.pid)]);
      process.exit(1);
    }, MINUTES * 60_000);
  }
}
