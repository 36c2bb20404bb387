<script lang="ts">
  import type { PairReading, SurveyResult, Tool } from '../../api/types';
  import { readBack } from '../../measure/read-back';

  interface Props {
    holes: readonly string[];
    next: SurveyResult['next_reading'];
    onadd: (reading: PairReading) => void;
  }
  let { holes, next, onadd }: Props = $props();
  const uid = $props.id();
  let text = $state('');
  let tool = $state<Tool>('caliper');
  let override = $state<{ kind: PairReading['kind']; a: string; b: string } | null>(null);
  let says = $state('');
  let echo = $state('');
  const KINDS = ['inside', 'outside', 'distance', 'radius'] as const;
  const TOOLS: readonly Tool[] = ['caliper', 'steel rule', 'tape', 'combination square', 'depth gauge'];

  const kindOf = (word: string): PairReading['kind'] => KINDS.find((kind) => kind === word) ?? 'inside';
  const pair = $derived(
    override ?? {
      kind: kindOf(next?.kind ?? 'inside'),
      a: next?.a ?? holes[0] ?? '',
      b: next?.b ?? holes[1] ?? 'C',
    },
  );

  function choose(part: Partial<typeof pair>): void {
    const wanted = { ...pair, ...part };
    override = {
      ...wanted,
      b:
        wanted.kind === 'radius'
          ? 'C'
          : wanted.b === 'C'
            ? (holes.find((id) => id !== wanted.a) ?? '')
            : wanted.b,
    };
  }

  async function hear(): Promise<boolean> {
    const heard = await readBack(text, 'length', null, tool);
    says = heard.problem;
    echo = heard.echo;
    return heard.problem === '';
  }

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const taken = { ...pair };
    if (!(await hear())) return;
    onadd({ ...taken, reading: { text: text.trim(), tool }, left_out: false, why: '' });
    text = echo = '';
    override = null;
  }
</script>

<form class="border-t-2 border-brass bg-card px-3 py-2" onsubmit={add} aria-label="New reading">
  <div class="flex items-center gap-1.5">
    <select
      class="field-line w-[5.2rem]"
      aria-label="Kind of reading"
      value={pair.kind}
      onchange={(e) => choose({ kind: kindOf(e.currentTarget.value) })}
    >
      {#each KINDS as kind (kind)}<option>{kind}</option>{/each}
    </select>
    <select
      class="field-line w-14 figures"
      aria-label="From hole"
      value={pair.a}
      onchange={(e) => choose({ a: e.currentTarget.value })}
    >
      {#each holes as id (id)}<option>{id}</option>{/each}
    </select>
    <select
      class="field-line w-14 figures"
      aria-label="To hole"
      disabled={pair.kind === 'radius'}
      value={pair.b}
      onchange={(e) => choose({ b: e.currentTarget.value })}
    >
      {#if pair.kind === 'radius'}<option>C</option>{/if}
      {#each holes.filter((id) => id !== pair.a) as id (id)}<option>{id}</option>{/each}
    </select>
    <input
      id="{uid}-text"
      data-measure
      class="field-line text-right figures text-[15px]"
      aria-label="New reading, {pair.a} to {pair.b}"
      aria-invalid={says ? 'true' : undefined}
      placeholder="4 1/8 in"
      autocomplete="off"
      required
      bind:value={text}
    />
    <button class="shrink-0 rounded-sm bg-ink px-2 py-1 text-paper" aria-label="Keep the reading">↵</button>
  </div>
  <div class="mt-1 flex items-baseline gap-2 text-[12.5px] text-ink-dim">
    <label for="{uid}-tool" class="whitespace-nowrap">with a</label>
    <select id="{uid}-tool" class="field-line w-28" bind:value={tool}>
      {#each TOOLS as one (one)}<option>{one}</option>{/each}
    </select>
    <span class={['ml-auto', says && 'text-fails']} role={says ? 'alert' : undefined}
      >{says ? `▲ ${says}` : echo || (next && !override ? `suggested: ${next.why}` : '')}</span
    >
  </div>
</form>
