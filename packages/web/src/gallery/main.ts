import { bootstrapApplication } from '@angular/platform-browser';
import { provideZonelessChangeDetection } from '@angular/core';
import { Gallery } from './gallery';

bootstrapApplication(Gallery, { providers: [provideZonelessChangeDetection()] }).catch((error: unknown) => console.error(error));
