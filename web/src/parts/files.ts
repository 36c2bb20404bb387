/** Files of a job: a drawing always belongs to a saved revision, so edits are saved first. */
import type { JobEditor } from '../job/job-editor.svelte';

export async function saveThenFetch(editor: JobEditor, path: string): Promise<void> {
  if (editor.isOld) editor.says = 'Files are of the newest revision. Go back to it first.';
  else if (await editor.save()) fetchFile(editor, path);
}

export function fetchFile(editor: JobEditor, path: string): void {
  const link = document.createElement('a');
  link.href = `/api/jobs/${editor.job.id}/${path}`;
  link.download = '';
  link.click();
}
