import {evidence} from './evidence.js';
import {handset} from './handset.js';
import {hear} from './hear.js';
import {rows} from './rows.js';
import {shortcuts} from './shortcuts.js';

evidence();
hear();
rows();
shortcuts({ring: handset()});
