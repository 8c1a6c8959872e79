import {book} from './book/book.js';
import {evidence} from './evidence.js';
import {handset} from './handset.js';
import {hear} from './hear.js';
import {map} from './map.js';
import {recorder} from './recorder.js';
import {rows} from './rows.js';
import {shortcuts} from './shortcuts.js';
import {textView} from './text.js';

evidence();
hear();
rows();
book();
map();
recorder();
textView();
shortcuts({ring: handset()});
