#!/usr/bin/python3
"""Derives the general lexicon of everyday words, core/Language/en/lexicon/, from the WordNet 3.0 database.

Every word gets a small vector of what it has to do with: its synonyms, its broader and narrower words, the words of its glosses and
examples, weighted by positive pointwise mutual information and reduced by a truncated singular value decomposition
(S. Deerwester et al., "Indexing by latent semantic analysis", 1990; K. W. Church and P. Hanks, "Word association norms", 1990).

Needs the Debian packages wordnet-base, python3-numpy and python3-scipy. Run: /usr/bin/python3 tools/lexicon.py [folder of WordNet]
Writes words.txt (one word a line, sorted) and vectors.bin (one row of signed bytes a word). WordNet 3.0 copyright 2006 Princeton
University; its licence allows use, copying and distribution with the notice kept, see core/Language/en/lexicon/LICENCE.
"""
import math, os, re, subprocess, sys, json
from collections import defaultdict, Counter
import numpy as np
from scipy.sparse import csr_matrix
from scipy.sparse.linalg import svds

FOLDER = sys.argv[1] if len(sys.argv) > 1 else '/usr/share/wordnet'
ROOT = os.path.dirname(os.path.dirname(os.path.abspath(__file__)))
DIMS = 96
STOP = set("a an the of or and to in on for with by from at as is are be was were it its that this which who whom whose into than not no any some such used using use especially usually often one two etc having has have had his her their them they he she you your something someone somebody things thing very more most other another when where while if being been do does done make made can may will would up out off over under so all each".split())

senses = {}          # (pos, offset) -> (lemmas, relations, gloss words)
word_senses = defaultdict(list)
def stem(word):
    return STEMS.get(word, word)
words_needed = set()
raw = []
for pos, name in (('n', 'noun'), ('v', 'verb'), ('a', 'adj'), ('r', 'adv')):
    for line in open(f'{FOLDER}/data.{name}', encoding='latin-1'):
        if line.startswith('  '):
            continue
        data, _, gloss = line.partition(' | ')
        parts = data.split()
        offset = parts[0]
        n = int(parts[3], 16)
        lemmas = [re.sub(r'\(\w+\)$', '', parts[4 + 2 * i]) for i in range(n)]
        p = 4 + 2 * n
        count = int(parts[p]); p += 1
        relations = []
        for _ in range(count):
            relations.append((parts[p], parts[p + 2].replace('s', 'a'), parts[p + 1])); p += 4
        lower = [l for l in lemmas if l == l.lower()]
        text = re.findall(r"[a-z][a-z'-]+", gloss.lower())
        senses[(pos, offset)] = (lower, relations, text)
        words_needed.update(t for t in text)
        for l in lower:
            words_needed.update(l.split('_'))
# The stems are those of the core, so that both sides look a word up alike.
php = r'''require "vendor/autoload.php"; $s = new Ringo\Language\Stemmer; while (($w = fgets(STDIN)) !== false) { $w = trim($w); echo $w, "\t", $s->stem($w), "\n"; }'''
out = subprocess.run(['php', '-r', php], cwd=ROOT, input='\n'.join(sorted(words_needed)) + '\n', capture_output=True, text=True).stdout
STEMS = dict(line.split('\t') for line in out.strip().split('\n'))

freq = Counter()
for line in open(f'{FOLDER}/cntlist.rev', encoding='latin-1'):
    key, _, n = line.split()
    freq[stem(key.split('%')[0])] += int(n)
order = defaultdict(list)   # stem -> senses by how common they are
for pos, name in (('n', 'noun'), ('v', 'verb'), ('a', 'adj'), ('r', 'adv')):
    for line in open(f'{FOLDER}/index.{name}', encoding='latin-1'):
        if line.startswith('  '):
            continue
        parts = line.split()
        lemma, p_cnt = parts[0], int(parts[3])
        offsets = parts[6 + p_cnt:]
        if '_' in lemma or not re.match(r"^[a-z][a-z'-]+$", lemma) or len(lemma) < 3:
            continue
        for rank, offset in enumerate(offsets[:5]):
            if lemma in senses.get((pos, offset), ([],))[0]:
                order[stem(lemma)].append((rank, pos, offset))

pairs = defaultdict(lambda: defaultdict(float))
def add(a, b, w):
    if a in STOP or b in STOP or len(b) < 3:
        return
    pairs[a][b] += w
for word, list_ in order.items():
    for rank, pos, offset in list_:
        weight = 1.0 / (1 + rank)
        lemmas, relations, text = senses[(pos, offset)]
        add(word, word, 2.0 * weight)
        for l in lemmas:
            for part in l.split('_'):
                add(word, stem(part), 1.6 * weight / len(l.split('_')))
        for t in text:
            add(word, stem(t), 0.7 * weight)
            # A word in a gloss has to do with what the gloss explains.
            if t not in STOP:
                add(stem(t), word, 0.35 * weight)
        for kind, p, off in relations:
            other = senses.get((p, off))
            if other is None:
                continue
            w = {'@': 1.0, '~': 0.3, '+': 1.2, '&': 0.8, '^': 0.8, '*': 0.8, '>': 0.6, '$': 0.8, '%p': 0.5, '#p': 0.5, ';c': 0.9, '-c': 0.3, '=': 0.6, '!': 0.3, '<': 0.8, '\\': 0.8}.get(kind, 0.3)
            for l in other[0][:4]:
                for part in l.split('_'):
                    add(word, stem(part), w * weight / len(l.split('_')))
            if kind in ('@', '+', '&'):
                for t in other[2]:
                    add(word, stem(t), 0.2 * weight)

rows = sorted(w for w in pairs if (freq[w] >= 1 or sum(1 for _ in order.get(w, [])) > 0) and re.match(r"^[a-z][a-z'-]+$", w))
rows = [w for w in rows if w not in STOP]
cols = Counter()
for w in rows:
    for b in pairs[w]:
        cols[b] += 1
columns = [c for c, n in cols.items() if 3 <= n <= 6000]
ci = {c: i for i, c in enumerate(columns)}
ri = {w: i for i, w in enumerate(rows)}
data, r, c = [], [], []
for w in rows:
    for b, v in pairs[w].items():
        if b in ci:
            data.append(v); r.append(ri[w]); c.append(ci[b])
m = csr_matrix((data, (r, c)), shape=(len(rows), len(columns)), dtype=np.float64)
total = m.sum(); rs = np.asarray(m.sum(1)).ravel(); cs = np.asarray(m.sum(0)).ravel() ** 0.75
cs = cs / cs.sum() * total
coo = m.tocoo()
pmi = np.log(np.maximum(coo.data * total / (rs[coo.row] * cs[coo.col]), 1e-12))
keep = pmi > 0
p = csr_matrix((pmi[keep] * np.minimum(1.0, np.sqrt(coo.data[keep])), (coo.row[keep], coo.col[keep])), shape=m.shape)
u, s, vt = svds(p, k=DIMS, random_state=7)
vectors = u * np.sqrt(s)
norm = np.linalg.norm(vectors, axis=1, keepdims=True)
vectors = vectors / np.maximum(norm, 1e-9)
# Words that have little to do with anything are left out; common ones first, so that the table stays small.
score = np.array([freq[w] for w in rows])
size = np.array([len(pairs[w]) for w in rows])
chosen = [i for i in range(len(rows)) if (score[i] >= 1 or size[i] >= 28) and norm[i] > 1e-3]
mean = vectors[chosen].mean(0)
vectors = vectors - mean
vectors = vectors / np.maximum(np.linalg.norm(vectors, axis=1, keepdims=True), 1e-9)
target = f'{ROOT}/core/Language/en/lexicon'
os.makedirs(target, exist_ok=True)
with open(f'{target}/words.txt', 'w') as f:
    for i in chosen:
        f.write(rows[i] + ' ' + str(int(score[i])) + '\n')
q = np.clip(np.round(vectors[chosen] * 400), -127, 127).astype(np.int8)
open(f'{target}/vectors.bin', 'wb').write(q.tobytes())
print(len(chosen), 'words,', q.nbytes, 'bytes')
