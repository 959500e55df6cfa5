import { useState } from 'react';
import { useFindKnock, useLetIn, useNewCode } from '../../api/devices.ts';
import { Button } from '../../ui/Button.tsx';
import { faultOf } from '../../api/faultOf.ts';
import type { PictureCode } from '#contract/door.ts';
import { CodePicture } from '../../ui/CodePicture.tsx';
import { Fault } from '../../ui/Fault.tsx';
import { LineField } from '../../ui/LineField.tsx';

/** Lets a device in: its six digits are typed, who asks is looked at, and then it is said yes. Or by a code that it films. */
export function LetOneIn() {
  const [digits, setDigits] = useState('');
  const find = useFindKnock();
  const letIn = useLetIn();
  const code = useNewCode();
  const bare = digits.replace(/\s/g, '');
  const fault = find.error ?? letIn.error ?? code.error;
  const found = find.data;
  const over = () => {
    setDigits('');
    find.reset();
  };
  return (
    <div className="mt-5">
      <h3 className="font-semibold">Let a device in</h3>
      <form
        className="mt-1 flex flex-wrap items-end gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          letIn.reset();
          find.mutate(bare);
        }}
      >
        <LineField
          label="The six digits it shows"
          inputMode="numeric"
          autoComplete="off"
          value={digits}
          maxLength={9}
          onChange={setDigits}
          className="h-11 w-40 text-[22px] tabular-nums"
        />
        <Button
          type="submit"
          look="main"
          className="min-h-11"
          disabled={!/^\d{6}$/.test(bare) || find.isPending}
        >
          Who is that?
        </Button>
        <Button className="min-h-11" onClick={() => code.mutate()}>
          Show a code to film
        </Button>
      </form>
      {found && (
        <div className="bg-wash mt-3 p-4" role="status">
          <p>
            <strong>{found.name}</strong> at {found.address}, at the door for {found.sinceS} s. Is it the one
            in front of you?
          </p>
          <div className="mt-2 flex gap-4">
            <Button
              look="main"
              onClick={() => letIn.mutate(found.handle, { onSuccess: over })}
              disabled={letIn.isPending}
            >
              Let it in
            </Button>
            <Button look="quiet" onClick={over}>
              No
            </Button>
          </div>
        </div>
      )}
      {letIn.isSuccess && !found && (
        <p role="status" className="mt-2">
          It is in: its page opens by itself.
        </p>
      )}
      {code.data && <OneCode {...code.data} />}
      <Fault words={fault && faultOf(fault)} />
    </div>
  );
}

/** A code for one device: its camera reads the address, which lets it in once. */
function OneCode({ secret, minutes }: PictureCode) {
  return (
    <div className="mt-3 flex flex-wrap items-center gap-5">
      <CodePicture
        address={`${window.location.origin}/pair#${secret}`}
        words="Code that a tablet’s camera reads"
      />
      <p className="max-w-80">
        Film this with the tablet’s camera and open what it finds. It lets in one device, and counts for{' '}
        {minutes} minutes. Whoever has it is in: show it to nobody else.
      </p>
    </div>
  );
}
