#!/usr/bin/python3
"""Trains what words mean to those who ask a business something, and to what answers them: core/Language/en/asking/.

Begins with the meanings trades have taught (training/meaning.py): a word is norm(hT + d), d what the pairs of data/corpora/asking.tsv
teach of it, and a weight. A question goes with what answers it by the cosine of their weighted sums, by word-by-word alignment and by
the stems they share; a softmax over what a trade has written, and some of what others have, is trained. Vectors and weights are folded
into one row of signed bytes a word. What was asked, with what answers it, is kept beside them (precedents.bin, answered.bin,
stems.txt): of a new question the nearest are looked for, and what answered them is compared with what a business has written.

Needs the Debian packages python3-numpy and python3-torch.
Run: php training/asking_tokens.php > asking.jsonl; /usr/bin/python3 training/asking.py asking.jsonl (ten minutes)
The figures come from four folds by trade; the table that is kept has seen all of them.
"""
import collections, hashlib, json, math, os, random, struct, sys, zlib
import numpy as np, torch

ROOT = os.path.dirname(os.path.dirname(os.path.abspath(__file__)))
FROM, OUT = f'{ROOT}/core/Language/en/meaning', f'{ROOT}/core/Language/en/asking'
EPOCHS, FOLDS, RATE, OTHERS, DROPPED, PULL, PULL_ALL, WEIGHT_UNIT = 6, 4, 3e-3, 3, .2, 2e-3, 1e-2, 24
torch.manual_seed(3); random.seed(3); torch.set_num_threads(2)
start = json.load(open(f'{FROM}/meaning.json'))
DIMS = start['dimensions']
hashes = np.frombuffer(open(f'{FROM}/words.bin', 'rb').read(), dtype='>u4')
bytes_of = np.frombuffer(open(f'{FROM}/rows.bin', 'rb').read(), dtype=np.int8).reshape(len(hashes), -1)
at = {int(h): i + 1 for i, h in enumerate(hashes)}      # 0 is padding
H = torch.cat([torch.zeros(1, DIMS), torch.tensor(bytes_of[:, :DIMS].astype(np.float32))])
H = H / (H.norm(dim=1, keepdim=True) + 1e-9)
A = torch.cat([torch.zeros(1), torch.tensor(bytes_of[:, DIMS].astype(np.float32)) / start['weight_unit']])

def ids(text): return [at[h] for h in (zlib.crc32(w.encode()) for w in text['words']) if h in at][:60] or [0]
def pad(lists):
    n = max(len(x) for x in lists)
    return torch.tensor([x + [0] * (n - len(x)) for x in lists])

trades = {}
for line in open(sys.argv[1]):
    row = json.loads(line)
    trades.setdefault(row['trade'], []).append(row)
sets = []
for rows in trades.values():
    asked = [(a, n) for n, row in enumerate(rows) for a in row['asked']]
    shared = [[len(set(a['stems']) & set(row['written']['stems'])) / max(1, len(set(a['stems']))) for row in rows] for a, _ in asked]
    sets.append((pad([ids(a) for a, _ in asked]), pad([ids(row['written']) for row in rows]), torch.tensor([n for _, n in asked]), torch.tensor(shared)))

class Pairing(torch.nn.Module):
    def __init__(self):
        super().__init__()
        self.T = torch.nn.Parameter(torch.eye(DIMS))
        self.d = torch.nn.Embedding(len(H), DIMS); torch.nn.init.zeros_(self.d.weight)
        self.w = torch.nn.Embedding(len(H), 1); torch.nn.init.zeros_(self.w.weight)
        self.k = torch.nn.Parameter(torch.tensor([6., 3., 2.]))     # sum, alignment, shared stems
    def row(self, ids):
        h = H[ids] @ self.T + self.d(ids)
        return h / (h.norm(dim=-1, keepdim=True) + 1e-6), A[ids] * torch.exp(self.w(ids).squeeze(-1)) * (ids > 0)
    def forward(self, asked, written, shared, drop=0.):
        if drop: asked = asked * (torch.rand(asked.shape) > drop)
        (ha, a), (hw, w) = self.row(asked), self.row(written)
        u, t = (ha * a[..., None]).sum(1), (hw * w[..., None]).sum(1)
        u, t = u / (u.norm(dim=-1, keepdim=True) + 1e-6), t / (t.norm(dim=-1, keepdim=True) + 1e-6)
        near = torch.einsum('swd,tzd->swtz', ha, hw).clamp(min=0) ** 3 * (.3 + .7 * w / (w.max(-1, keepdim=True).values + 1e-6))[None, None]
        aligned = (near.max(-1).values * a[..., None]).sum(1) / (a.sum(1, keepdim=True) + .5)
        return self.k[0] * u @ t.T + self.k[1] * aligned + self.k[2] * shared, u @ t.T

def train(at):
    model, at = Pairing(), list(at)
    optimiser = torch.optim.Adam([{'params': [model.T, model.k], 'lr': RATE / 3}, {'params': [model.d.weight, model.w.weight], 'lr': RATE}])
    for _ in range(EPOCHS):
        random.shuffle(at)
        for i in at:
            asked, written, truth, shared = sets[i]
            texts = [written] + [sets[j][1] for j in random.sample(at, OTHERS) if j != i]
            wide = max(x.shape[1] for x in texts)
            written = torch.cat([torch.nn.functional.pad(x, (0, wide - x.shape[1])) for x in texts])
            out = torch.log_softmax(model(asked, written, torch.cat([shared, torch.zeros(len(asked), len(written) - shared.shape[1])], 1), DROPPED)[0], 1)
            seen = torch.unique(torch.cat([asked.flatten(), written.flatten()]))
            loss = -(out[torch.arange(len(truth)), truth] * .95 + out.mean(1) * .05).mean() + PULL * ((model.d(seen) ** 2).sum() + (model.w(seen) ** 2).sum()) + PULL_ALL * ((model.T - torch.eye(DIMS)) ** 2).sum()
            optimiser.zero_grad(); loss.backward(); optimiser.step()
    return model

def measure(model, at):
    right, n = np.zeros(2), 0
    with torch.no_grad():
        for i in at:
            asked, written, truth, shared = sets[i]
            right += [(x.argmax(1) == truth).sum().item() for x in model(asked, written, shared)]; n += len(truth)
    return right, n

def left_out(fit):
    right, n = np.zeros(2), 0
    for fold in range(FOLDS):
        model = fit([i for i in range(len(sets)) if i % FOLDS != fold])
        r, m = measure(model, [i for i in range(len(sets)) if i % FOLDS == fold]); right += r; n += m
    return {'all': round(right[0] / n, 4), 'sum': round(right[1] / n, 4)}

before, after = left_out(lambda at: Pairing()), left_out(train)
print('trades left out: before', before, 'after', after, flush=True)
model = train(range(len(sets)))
with torch.no_grad(): h, a = model.row(torch.arange(len(H)))
h = (h * 127).round().clamp(-127, 127).to(torch.int8).numpy()[1:]
a = (a * WEIGHT_UNIT).round().clamp(0, 127).to(torch.int8).numpy()[1:]
os.makedirs(OUT, exist_ok=True)
open(f'{OUT}/words.bin', 'wb').write(open(f'{FROM}/words.bin', 'rb').read())
open(f'{OUT}/rows.bin', 'wb').write(np.concatenate([h, a[:, None]], 1).tobytes())
# What was asked and what answers it, as the sums of their words: the bytes of the sum, the place of what answers, the length of its stems.
B = torch.cat([torch.zeros(1, DIMS), torch.tensor(h.astype(np.float32))]); B = B / (B.norm(dim=1, keepdim=True) + 1e-9)
W = torch.cat([torch.zeros(1), torch.tensor(a.astype(np.float32)) / WEIGHT_UNIT])
def kept(text):
    at_words = torch.tensor(ids(text)); s = (B[at_words] * W[at_words][:, None]).sum(0)
    return (s / (s.norm() + 1e-6) * 127).round().to(torch.int8).numpy().tobytes()
written = [row for rows in trades.values() for row in rows]
questions = [(n, one) for n, row in enumerate(written) for one in row['asked']]
places = collections.defaultdict(list)
for n, (_, one) in enumerate(questions):
    for stem in sorted(set(one['stems'])): places[stem].append(n)
rare = lambda stem: math.log(len(questions) / len(places[stem]))
open(f'{OUT}/precedents.bin', 'wb').write(b''.join(kept(one) + struct.pack('<Hf', n, sum(rare(s) ** 2 for s in set(one['stems'])) ** .5) for n, one in questions))
open(f'{OUT}/answered.bin', 'wb').write(b''.join(kept(row['written']) for row in written))
open(f'{OUT}/stems.txt', 'w').write(''.join(f'\n{stem}\t{" ".join(map(str, at_stem))}' for stem, at_stem in sorted(places.items())) + '\n')
sha = lambda path: hashlib.sha256(open(path, 'rb').read()).hexdigest()
json.dump({'words': len(hashes), 'dimensions': DIMS, 'weight_unit': WEIGHT_UNIT, 'compared': 0, 'compared_unit': 0.0, 'corpus_sha256': sha(f'{ROOT}/data/corpora/asking.tsv'), 'meanings_sha256': sha(f'{FROM}/rows.bin'), 'rows_sha256': sha(f'{OUT}/rows.bin'), 'precedents': len(questions), 'precedents_sha256': sha(f'{OUT}/precedents.bin'),
    'trained_on': f'data/corpora/asking.tsv, {sum(len(s[2]) for s in sets)} questions of {len(sets)} trades', 'right_first_of_its_trade_left_out': {'before': before, 'after': after}, 'command': 'php training/asking_tokens.php > asking.jsonl; /usr/bin/python3 training/asking.py asking.jsonl'}, open(f'{OUT}/meaning.json', 'w'), indent=1)
# What PHP must come to on some pairs, with the bytes as they are kept.
model.row = lambda ids: (B[ids], W[ids])
sample = []
with torch.no_grad():
    for line, (asked, written, truth, shared) in zip(list(trades.values())[::12], sets[::12]):
        cosines = model(asked, written, shared)[1]
        for n, row in enumerate(line[:3]):
            sample.append({'asked': ' '.join(row['asked'][0]['words']), 'written': ' '.join(row['written']['words']), 'alike': round(cosines[truth.tolist().index(n), n].item(), 4)})
json.dump(sample, open(f'{ROOT}/tests/Core/Knowledge/asking.json', 'w'), indent=1)
