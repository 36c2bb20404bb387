import { getContext, setContext } from 'svelte';
import { answered, client, Refusal } from '../api/client';
import type { Me, SignIn } from '../api/types';

const KEY = Symbol('session');

/** Who is signed in on this page. */
export class Session {
  me = $state.raw<Me | null>(null);
  isKnown = $state(false);

  constructor() {
    void this.#ask();
  }

  async #ask(): Promise<void> {
    try {
      ({ me: this.me = null } = await answered(client.GET('/api/session')));
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
    } finally {
      this.isKnown = true;
    }
  }

  async signIn(body: SignIn): Promise<void> {
    this.me = await answered(client.POST('/api/session', { body }));
  }

  /** Ask anew who is signed in, after something of them was changed. */
  async refresh(): Promise<void> {
    await this.#ask();
  }

  /** Keep what a person likes: units, what is seen first, what they are called. */
  async prefer(liked: Partial<Pick<Me, 'units' | 'opens' | 'name'>>): Promise<void> {
    this.me = await answered(client.PATCH('/api/session', { body: liked }));
  }

  async signOut(): Promise<void> {
    await client.DELETE('/api/session');
    this.me = null;
  }
}

export function provideSession(): Session {
  return setContext(KEY, new Session());
}

export function useSession(): Session {
  const session = getContext<Session | undefined>(KEY);
  if (!session) throw new Error('useSession outside App.svelte');
  return session;
}
