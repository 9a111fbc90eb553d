'use client';
import { Modal } from 'react-bootstrap';
import { SignInForm } from './SignInForm';

/** The session ended while somebody worked: they sign in again, and the page stays as it is. */
export function SignInAgain() {
  return (
    <Modal show centered backdrop="static" keyboard={false} aria-labelledby="sign-in-again">
      <Modal.Header>
        <Modal.Title as="h2" id="sign-in-again">
          Sign in again
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>Nobody is signed in here any more. What you typed is still here, and is sent when you are back.</p>
        <SignInForm onIn={() => {}} />
      </Modal.Body>
    </Modal>
  );
}
