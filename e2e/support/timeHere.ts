import { readFileSync } from 'node:fs';
import os from 'node:os';

/** Ticks a second in /proc/stat (man 5 proc: USER_HZ, 100 on all that Linux runs on by default). */
const TICKS = 100;

/** How long this machine was kept from running by the one it is simulated on, in milliseconds since it started. */
function keptFromRunning(): number {
  try {
    // "cpu user nice system idle iowait irq softirq steal …", of all processors together.
    const steal = Number(/^cpu +(?:\d+ ){7}(\d+)/u.exec(readFileSync('/proc/stat', 'utf8'))?.[1] ?? 0);
    return ((steal / TICKS) * 1000) / os.cpus().length;
  } catch {
    return 0;
  }
}

/** Begins to measure; gives how many milliseconds went by since, without those in which the machine stood still. */
export function timeHere(): () => number {
  const [began, kept] = [Date.now(), keptFromRunning()];
  return () => Date.now() - began - (keptFromRunning() - kept);
}
