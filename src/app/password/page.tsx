import { NewPassword } from '@/ui/account/new-password';

/** Asks for a link for a new password; with such a link, for the password. */
export default function PasswordPage() {
  return <NewPassword />;
}
