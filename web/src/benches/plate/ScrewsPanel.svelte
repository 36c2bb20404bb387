<script lang="ts">
  import type { PlateResult, PlateSheet } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { FLANGE_SCREWS, MOTOR_SCREWS, OVERHANG, STANDOFF_SCREWS } from './fields';
  import HolesMade from './HolesMade.svelte';
  import JointFields from './JointFields.svelte';

  interface Props {
    sheet: PlateSheet;
    result: PlateResult;
    disabled: boolean;
    change: (write: (sheet: PlateSheet) => void) => void;
  }
  let { sheet, result, disabled, change }: Props = $props();
  const solved = (name: string) => result.joints.find((joint) => joint.name === name);
  const face = (write: (to: PlateSheet['face']) => void) => change((next) => write(next.face));
</script>

<div class="flex flex-col gap-5 px-4 py-3">
  <HolesMade
    holes={sheet.plate.holes}
    names={result.hole_names}
    threads={result.threads}
    {disabled}
    change={(write) => change((next) => write(next.plate.holes))}
  />
  <div>
    <JointFields
      title="Motor screws"
      joint={sheet.motor_joint}
      result={solved('motor')}
      threads={result.threads}
      {disabled}
      change={(write) => change((next) => write(next.motor_joint))}
    />
    <Fields form={MOTOR_SCREWS} from={sheet.face} {disabled} change={face} />
    <p class="text-[12.5px] text-ink-dim">
      A motor face is often tapped through, with a winding, fan or seal close behind. Measure before you
      screw.
    </p>
    <Fields form={OVERHANG} from={sheet.face} {disabled} change={face} />
  </div>
  <div>
    <JointFields
      title="Gearbox screws"
      joint={sheet.flange_joint}
      result={solved('flange')}
      threads={result.threads}
      {disabled}
      change={(write) => change((next) => write(next.flange_joint))}
    />
    <Fields
      form={FLANGE_SCREWS}
      from={sheet.flange_joint}
      {disabled}
      change={(write) => change((next) => write(next.flange_joint))}
    />
  </div>
  {#if solved('standoff')}
    {@const standoff = (write: (to: PlateSheet['flange_joint']) => void) =>
      change((next) => write(next.build_up.standoffs.joint))}
    <div>
      <JointFields
        title="Standoff screws"
        joint={sheet.build_up.standoffs.joint}
        result={solved('standoff')}
        threads={result.threads}
        {disabled}
        change={standoff}
      />
      <Fields form={STANDOFF_SCREWS} from={sheet.build_up.standoffs.joint} {disabled} change={standoff} />
    </div>
  {/if}
</div>
