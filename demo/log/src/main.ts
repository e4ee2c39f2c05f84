import { bootstrapApplication } from '@angular/platform-browser';
import { Log } from './log';
import { settings } from './settings';

bootstrapApplication(Log, settings).catch((error: unknown) => console.error(error));
