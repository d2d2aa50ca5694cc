/** A telephone number to tap; nothing where there is none, or where who is in may not see it. */
import { Phone } from 'lucide-react';

export const PhoneLink = ({ phone }: { phone: string | undefined }) =>
  phone ? (
    <a href={`tel:${phone.replace(/[^+\d]/g, '')}`} className="text-nowrap">
      <Phone aria-hidden size={14} /> {phone}
    </a>
  ) : null;
