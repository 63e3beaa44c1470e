import { type ReactNode } from 'react';
import { CatalogueNav } from '@/stations/catalogue/CatalogueNav';
import { StudioShell } from '../StudioShell';

export const metadata = { title: 'Catalogue' };

export default function CatalogueLayout({ children }: { children: ReactNode }) {
  return (
    <StudioShell>
      <CatalogueNav />
      {children}
    </StudioShell>
  );
}
