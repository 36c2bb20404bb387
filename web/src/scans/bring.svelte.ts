/** A scan on its way to the server and there: sent with its progress, then made ready. */
import { answered, client, csrfToken, Refusal } from '../api/client';
import type { Scan } from '../api/types';

const LOOK_EVERY_MS = 700;

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));

export class ScanOnItsWay {
  name = $state('');
  sent = $state(0); // share
  done = $state(0); // share of making it ready
  step = $state<'idle' | 'sending' | 'preparing'>('idle');
  says = $state('');

  /** Returns the scan once it is ready, or nothing where it was refused: `says` has the reason. */
  async bring(file: File, shopId: number): Promise<Scan | null> {
    Object.assign(this, { name: file.name, sent: 0, done: 0, says: '', step: 'sending' });
    try {
      let scan = await this.#send(file, shopId);
      this.step = 'preparing';
      while (scan.state === 'waiting' || scan.state === 'preparing') {
        await wait(LOOK_EVERY_MS);
        scan = await answered(client.GET('/api/scans/{scan_id}', { params: { path: { scan_id: scan.id } } }));
        this.done = scan.done;
      }
      if (scan.state === 'refused') throw new Refusal(422, scan.says);
      return scan;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      this.says = error.message;
      return null;
    } finally {
      this.step = 'idle';
    }
  }

  /** By the older kind of request: the newer says nothing of how much of a body is sent. */
  #send(file: File, shopId: number): Promise<Scan> {
    return new Promise((resolve, reject) => {
      const request = new XMLHttpRequest();
      request.open('POST', `/api/scans?shop_id=${shopId}&name=${encodeURIComponent(file.name)}`);
      request.setRequestHeader('X-CSRFToken', csrfToken());
      request.setRequestHeader('Content-Type', 'application/octet-stream');
      request.responseType = 'json';
      request.upload.onprogress = (event) => (this.sent = event.loaded / Math.max(event.total, 1));
      request.onerror = () => reject(new Refusal(0, 'The file broke off on its way. Bring it again.'));
      request.onload = () => {
        const answer = request.response as (Scan & { says?: string }) | null;
        if (request.status === 201 && answer) resolve(answer);
        else reject(new Refusal(request.status, answer?.says || `The server answered ${request.status}.`));
      };
      request.send(file);
    });
  }
}
