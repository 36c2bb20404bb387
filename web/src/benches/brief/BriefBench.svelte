<script lang="ts">
  import type { BriefSheet, JobResult } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import { fixed, whole } from '../../lib/format';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import NumberField from '../../measure/NumberField.svelte';
  import ReadingField from '../../measure/ReadingField.svelte';
  import { MOTOR, TYRE, VEHICLE, WANTED, type BriefField } from './fields';
  import MotorPlot from './MotorPlot.svelte';
  import TextField from '../../measure/TextField.svelte';

  interface Props {
    result: JobResult;
  }
  let { result }: Props = $props();
  const editor = useEditor();
  const brief = $derived(editor.sheets.brief);
  const disabled = $derived(!editor.mayEdit);

  const change = (write: (brief: BriefSheet) => void) => editor.edit((sheets) => write(sheets.brief));

  const LAYOUTS = [
    ['kept_gearbox', 'motor on the kept gearbox'],
    ['propshaft_reduction', 'reduction box on the propshaft'],
    ['axle_unit', 'drive unit on one axle'],
    ['centre_unit', 'drive unit amidships'],
  ] as const;
  const AXLES = [
    ['rear', 'rear'],
    ['front', 'front'],
    ['both', 'front and rear'],
  ] as const;
</script>

{#snippet readings(fields: readonly BriefField[])}
  {#each fields as field (field.label)}
    <ReadingField
      label={field.label}
      quantity={field.quantity}
      hint={field.hint}
      {disabled}
      value={field.read(brief)}
      onchange={(value) => change((sheet) => field.write(sheet, value))}
    />
  {/each}
{/snippet}

<div class="flex h-full flex-col md:flex-row">
  <div class="flex shrink-0 flex-col gap-5 overflow-y-auto px-4 py-3 md:w-[21rem]" data-testid="brief-form">
    <section>
      <h2>What it must do</h2>
      {@render readings(WANTED)}
      <NumberField
        label="Laden start on a grade of, %"
        value={brief.wanted.hill_start_pct}
        least={1}
        greatest={100}
        hint="25 is 1 in 4"
        {disabled}
        onchange={(value) => change((sheet) => (sheet.wanted.hill_start_pct = value))}
      />
      <ChoiceField
        label="Layout"
        value={brief.layout}
        options={LAYOUTS}
        {disabled}
        onchange={(value) => change((sheet) => (sheet.layout = value))}
      />
      <ChoiceField
        label="Driven axle"
        value={brief.driven}
        options={AXLES}
        {disabled}
        onchange={(value) => change((sheet) => (sheet.driven = value))}
      />
    </section>
    <section>
      <h2>Vehicle</h2>
      {@render readings(VEHICLE)}
      <NumberField
        label="Front share of the kerb mass"
        value={brief.vehicle.front_share}
        least={0.05}
        greatest={0.95}
        hint="weigh each axle: front over both"
        {disabled}
        onchange={(value) => change((sheet) => (sheet.vehicle.front_share = value))}
      />
      <NumberField
        label="Drag area C_dA, m²"
        value={brief.vehicle.cda_m2}
        least={0.1}
        greatest={9}
        hint="drag coefficient × frontal area"
        {disabled}
        onchange={(value) => change((sheet) => (sheet.vehicle.cda_m2 = value))}
      />
    </section>
    <section>
      <h2>Driven tyre</h2>
      <TextField
        label="Code on the sidewall"
        value={brief.tyre.code}
        {disabled}
        onchange={(value) => change((sheet) => (sheet.tyre.code = value || null))}
      />
      {@render readings(TYRE)}
      <NumberField
        label="Turns in the roll-out"
        value={brief.tyre.roll_out_turns}
        least={1}
        greatest={20}
        {disabled}
        onchange={(value) => change((sheet) => (sheet.tyre.roll_out_turns = Math.round(value ?? 1)))}
      />
    </section>
    <section>
      <h2>Donor motor</h2>
      <TextField
        label="Name"
        value={brief.motor.name}
        {disabled}
        onchange={(value) => change((sheet) => (sheet.motor.name = value || 'Motor'))}
      />
      {@render readings(MOTOR)}
      <NumberField
        label="Rotor inertia, kg·m²"
        value={brief.motor.inertia_kgm2}
        least={0}
        greatest={10}
        {disabled}
        onchange={(value) => change((sheet) => (sheet.motor.inertia_kgm2 = value))}
      />
    </section>
  </div>
  <div class="min-w-0 flex-1 overflow-y-auto border-edge md:border-l">
    {#if result.brief.motor}
      <MotorPlot motor={result.brief.motor} name={brief.motor.name} />
    {:else}
      <p class="bg-dye px-6 py-16 text-scribe-dim">
        Give the motor's peak torque and top speed, from its plate or data sheet, and its curve is drawn here.
      </p>
    {/if}
    <div class="grid gap-x-8 gap-y-5 px-5 py-4 xl:grid-cols-2">
      <section>
        <h2>How far a turn of the wheel goes</h2>
        <table class="mt-1 w-full">
          <tbody>
            {#each result.brief.tyres as tyre (tyre.method)}
              <tr class={['border-t border-edge', tyre.used && 'bg-brass-wash font-semibold']}>
                <td class="px-1 py-1.5">{tyre.text}</td>
                <td class="text-right figures"
                  >{whole(tyre.circumference_mm)} ± {fixed(tyre.u_mm, tyre.u_mm < 10 ? 1 : 0)} mm</td
                >
                <td class="w-12 pr-1 text-right text-[13px]">{tyre.used ? 'used' : ''}</td>
              </tr>
            {:else}
              <tr
                ><td class="py-2 text-ink-dim"
                  >Read the code on the tyre's side, or chalk tyre and floor, roll a few turns and tape it.</td
                ></tr
              >
            {/each}
          </tbody>
        </table>
        {#each result.brief.queries as query (query)}<p class="mt-2 font-semibold text-brass">
            ? {query}
          </p>{/each}
      </section>
      <section>
        <h2>Still to measure or look up</h2>
        <ul class="mt-1">
          {#each result.brief.to_do as todo (todo.field)}
            <li class="border-t border-edge py-1.5">{todo.text}</li>
          {:else}
            <li class="border-t border-edge py-1.5 text-ink-dim">Nothing: the brief is complete.</li>
          {/each}
        </ul>
        {#if result.brief.assumed.length > 0}
          <h3 class="mt-3 text-ink-dim">Taken as usual, not measured</h3>
          <ul class="text-ink-dim">
            {#each result.brief.assumed as assumed (assumed.field)}<li>{assumed.text}</li>{/each}
          </ul>
        {/if}
      </section>
      <section class="xl:col-span-2">
        <TextField
          label="Notes"
          value={brief.notes}
          {disabled}
          long
          onchange={(value) => change((sheet) => (sheet.notes = value))}
        />
      </section>
    </div>
  </div>
</div>
