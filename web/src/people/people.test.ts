import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { InvitationLine, Link, PersonLine, Role } from '../api/types';
import LinkDialog from './LinkDialog.svelte';
import LinksOut from './LinksOut.svelte';
import PersonRow from './PersonRow.svelte';

afterEach(() => vi.unstubAllGlobals());

const PERSON = {
  id: 4,
  name: 'Ada Tern',
  username: 'ada',
  role: 'viewer',
  last_seen_at: null,
} as unknown as PersonLine;

describe('PersonRow', () => {
  function row(isMe = false, refuses = false): { given: Role[]; removed: number[] } {
    const [given, removed]: [Role[], number[]] = [[], []];
    render(PersonRow, {
      person: PERSON,
      isMe,
      ongive: (role) => {
        if (!refuses) given.push(role);
        return Promise.resolve();
      },
      onremove: () => removed.push(PERSON.id),
    });
    return { given, removed };
  }

  it('has what somebody may do in words, and when they were last here', () => {
    row(true);
    const text = screen.getByRole('listitem').textContent;
    expect(text).toContain('(you)');
    expect(text).toContain('not here yet');
    expect(screen.getByLabelText<HTMLSelectElement>('What Ada Tern may do').value).toBe('viewer');
  });

  it('does not stay with a role that was refused', async () => {
    const { given } = row(false, true);
    const select = screen.getByLabelText<HTMLSelectElement>('What Ada Tern may do');
    await fireEvent.change(select, { target: { value: 'owner' } });
    await vi.waitFor(() => expect(select.value).toBe('viewer'));
    expect(given).toEqual([]);
  });

  it('takes nobody out by one press', async () => {
    const { removed } = row();
    await fireEvent.click(screen.getByLabelText('Take out Ada Tern'));
    await fireEvent.click(screen.getByText('no'));
    expect(removed).toEqual([]);
    await fireEvent.click(screen.getByLabelText('Take out Ada Tern'));
    await fireEvent.click(screen.getByText('take Ada Tern out'));
    expect(removed).toEqual([4]);
  });
});

describe('links', () => {
  it('that nobody used yet are listed with who made them, and withdrawn', async () => {
    const links = [
      { id: 7, role: 'fabricator', made_by: 'ada', expires_at: '2026-02-03T10:00:00Z' },
      { id: 8, role: 'owner', made_by: null, expires_at: '2026-02-03T10:00:00Z' },
    ] as unknown as InvitationLine[];
    const gone: number[] = [];
    render(LinksOut, { links, onwithdraw: (id) => gone.push(id) });
    expect(screen.getByText(/made by the machine/)).toBeTruthy();
    await fireEvent.click(screen.getByLabelText('Withdraw the link for one fabricator'));
    expect(gone).toEqual([7]);
  });

  it('are not spoken of where there are none', () => {
    render(LinksOut, { links: [], onwithdraw: () => {} });
    expect(screen.queryByText(/Links that nobody/)).toBeNull();
  });

  it('are marked for copying by hand where the browser does not let a page copy', async () => {
    vi.stubGlobal('navigator', { clipboard: { writeText: () => Promise.reject(new Error('no')) } });
    const link = {
      role: 'viewer',
      link: 'http://shop.example/join#abc',
      expires_at: '2026-02-03T10:00:00Z',
      squares: ['10', '01'],
    } as unknown as Link;
    render(LinkDialog, { link, onclose: () => {} });
    await fireEvent.click(screen.getByText('Copy the link'));
    await vi.waitFor(() => expect(screen.getByRole('status').textContent).toContain('press Ctrl+C'));
    const field = screen.getByLabelText<HTMLInputElement>('The link');
    expect([field.selectionStart, field.selectionEnd]).toEqual([0, field.value.length]);
  });
});
