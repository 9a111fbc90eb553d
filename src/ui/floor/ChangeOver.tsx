'use client';
import { useEffect, useState } from 'react';
import { Modal } from 'react-bootstrap';
import { PinPad } from '../people/PinPad';
import { SignInForm } from '../people/SignInForm';
import { useWho } from '../shared/who';
import { NotTaken } from './NotTaken';
import { idbKeeper } from './idbKeeper';
import type { KeptPass } from './keeper';
import { isPin } from './verifier';
import { useFloor } from './useFloor';

/** Another person takes the tablet: through the server, or while it is away by the PIN they signed in with here. */
export function ChangeOver({ onLeave }: { onLeave: () => void }) {
  const { reach, setPerson } = useFloor();
  return (
    <Modal show centered onHide={onLeave} dialogClassName="floor-ask" aria-labelledby="change-over">
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="change-over">
          Who takes over?
        </Modal.Title>
      </Modal.Header>
      <Modal.Body className="floor">
        {reach === 'away' ? (
          <Offline
            onIn={(name) => {
              setPerson(name);
              onLeave();
            }}
          />
        ) : (
          <SignInForm
            onIn={() => {
              setPerson(null);
              onLeave();
            }}
          />
        )}
      </Modal.Body>
    </Modal>
  );
}

function Offline({ onIn }: { onIn: (name: string) => void }) {
  const { who } = useWho();
  const [passes, setPasses] = useState<KeptPass[]>([]);
  const [refusal, setRefusal] = useState<string | null>(null);
  useEffect(() => {
    void idbKeeper.passes().then((all) => {
      const now = new Date().toISOString();
      setPasses(all.filter(({ endsAt, verifier }) => endsAt > now && verifier !== null));
    });
  }, []);
  return (
    <>
      <p>
        The server is away. Whoever signed in here with a PIN today may take over; their records are sent under their
        name.
        {passes.length === 0 && who && ` Nobody has yet, so it stays ${who.name}.`}
      </p>
      <NotTaken text={refusal} />
      <PinPad
        busy={false}
        people={passes}
        onPin={async (id, pin) => {
          const own = passes.find((one) => one.id === id)!;
          if (await isPin(pin, own.verifier!)) {
            onIn(own.name);
            return true;
          }
          setRefusal('That does not let anybody in');
          return false;
        }}
      />
    </>
  );
}
