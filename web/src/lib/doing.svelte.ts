import { Refusal } from '../api/client';

/** Something asked of the server from a page: whether it is under way, and what was refused, in the server's words. */
export class Doing {
  says = $state('');
  isBusy = $state(false);

  /** True when it was done. */
  async run(act: () => Promise<void>): Promise<boolean> {
    this.isBusy = true;
    this.says = '';
    try {
      await act();
      return true;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      this.says = error.message;
      return false;
    } finally {
      this.isBusy = false;
    }
  }
}
