// Every page works without any of this: each module adds what a device can do beside the plain links and forms.
import './emergency.js';
import './keys.js';
import './sheet.js';
import './quick-line.js';
import './scan.js';
import './timers.js';
import './stopwatch.js';
import './photo-spots.js';
import './connection.js';
import './door.js';
import './file-size.js';
import './looks.js';
import './drafts.js';
import './film-marks.js';
import './plate-editor.js';
import './tap-recorder.js';
import './week.js';
