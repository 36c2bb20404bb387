/** The job that was open last on this device, for whoever likes to begin with it. */
const KEY = 'fernback:last-job';

export function remember(jobId: string): void {
  try {
    localStorage.setItem(KEY, jobId);
  } catch {
    // Without storage the list opens first.
  }
}

export function lastJob(): string | null {
  try {
    return localStorage.getItem(KEY);
  } catch {
    return null;
  }
}
