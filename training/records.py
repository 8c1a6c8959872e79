#!/usr/bin/python3
"""Trains how the values of a record are chosen: core/Language/en/records/, from labelled calls.

Run: php training/record_signs.php FOLDER... > signs.jsonl; /usr/bin/python3 training/records.py signs.jsonl [keep|misses]
For each field of each call one of its candidates is right, or none is: a softmax over the candidates and 'none' (a score of nought), every
right candidate counting. A candidate's score is a line over its signs and one hidden layer, the mean of three trainings. The figures are of trades left out; `keep`
trains on all and writes the weights, with a sample that PHP must count the same.
"""
import collections, glob, hashlib, json, os, sys, zlib
import numpy as np, torch

ROOT = os.path.dirname(os.path.dirname(os.path.abspath(__file__)))
OUT = f'{ROOT}/core/Language/en/records'
# The readers were built looking at these calls: how far they are to be trusted is told by the others.
FITTED = 'cases'
NETS = 3
FOLDS, HIDDEN, DROP, DROP_SIGNS, DECAY, EPOCHS, RATE, BATCH, LEAST = 6, 32, .4, .1, .1, 60, 3e-3, 64, .45
torch.set_num_threads(2)

rows = [json.loads(line) for line in open(sys.argv[1])]
fields = collections.OrderedDict()
for r in rows: fields.setdefault((r['set'], r['call'], r['field']), []).append(r)
keys, names, kept = list(fields), {}, []
own, right, due, signs = [], [], [], []
for f, k in enumerate(keys):
    due.append('missed' in fields[k][0] or fields[k][0]['due'])
    for r in fields[k]:
        if 'missed' in r: continue
        signs.append({names.setdefault(s, len(names)): v for s, v in list(r['signs'].items()) + [('type:' + r['group'], 1.)]})
        own.append(f); right.append(r['right']); kept.append(r)
D, F, N = len(names), len(keys), len(kept)
M = np.zeros((N, D), np.float32)
for i, x in enumerate(signs):
    for j, v in x.items(): M[i, j] = v
values = [json.dumps(r['value'], sort_keys=True) for r in kept]
own, right, due = np.array(own), np.array(right, bool), np.array(due)
trade = np.array([zlib.crc32(fields[k][0]['trade'].encode()) % FOLDS for k in keys])
every = np.array([k[0] != FITTED for k in keys])
by = [np.where(own == f)[0] for f in range(F)]
M, right_t, any_right = torch.tensor(M), torch.tensor(right), torch.tensor(np.bincount(own, right, minlength=F) > 0)

class Net(torch.nn.Module):
    def __init__(self):
        super().__init__()
        self.inner, self.outer, self.line = torch.nn.Linear(D, HIDDEN), torch.nn.Linear(HIDDEN, 1), torch.nn.Linear(D, 1, bias=False)
        self.drop, self.drop_signs = torch.nn.Dropout(DROP), torch.nn.Dropout(DROP_SIGNS)
        torch.nn.init.zeros_(self.line.weight)
    def forward(self, x):
        x = self.drop_signs(x)
        return self.outer(self.drop(torch.relu(self.inner(x)))).squeeze(1) + self.line(x).squeeze(1)

def likelihoods(s, at, n):
    e = torch.exp(s.clamp(-30, 30)); z = 1 + torch.zeros(n).index_add(0, at, e)
    return e / z[at], 1 / z

def fit(on, seed):
    torch.manual_seed(seed); net = Net()
    optimiser = torch.optim.AdamW([{'params': [net.inner.weight, net.outer.weight, net.line.weight], 'weight_decay': DECAY}, {'params': [net.inner.bias, net.outer.bias], 'weight_decay': 0}], lr=RATE)
    some = np.where(on)[0]
    for epoch in range(EPOCHS):
        for group in optimiser.param_groups: group['lr'] = RATE * (1 - epoch / EPOCHS) + 1e-5
        np.random.seed(seed * 100 + epoch); np.random.shuffle(some)
        for b in range(0, len(some), BATCH):
            part = [f for f in some[b:b + BATCH] if len(by[f])]
            ids = np.concatenate([by[f] for f in part]); at = torch.tensor(np.repeat(np.arange(len(part)), [len(by[f]) for f in part]))
            p, none = likelihoods(net(M[ids]), at, len(part))
            good = torch.zeros(len(part)).index_add(0, at, p * right_t[ids])
            loss = -torch.log(torch.where(any_right[part], good, none) + 1e-9).mean()
            optimiser.zero_grad(); loss.backward(); optimiser.step()
    return net.eval()

def chosen(P, least):
    """By field: how likely its likeliest value is over all candidates that give it, and whether it is right; only where likely enough."""
    sums, ok, best = collections.defaultdict(float), {}, {}
    for i in range(N): sums[own[i], values[i]] += P[i]; ok[own[i], values[i]] = right[i]
    for (f, v), p in sums.items():
        if p > best.get(f, (least,))[0]: best[f] = (p, ok[f, v])
    return best

def figures(best, on):
    given = [f for f in best if on[f]]; hits = sum(best[f][1] for f in given); d = due[on].sum()
    return {'precision': round(hits / len(given), 3), 'recall': round(hits / d, 3), 'f1': round(2 * hits / (len(given) + d), 3), 'invented': sum(1 for f in given if not due[f])}

P = np.zeros(N)
for fold in range(FOLDS):
    nets = [fit(trade != fold, seed + 1) for seed in range(NETS)]
    with torch.no_grad(): p, _ = likelihoods(sum(net(M) for net in nets) / NETS, torch.tensor(own), F)
    held = trade[own] == fold
    P[held] = p.numpy()[held]
print('fields', F, 'due', due.sum(), 'with the right one among them', int(any_right.sum()), 'candidates', N, 'signs', D)
for least in (.3, .35, .4, .45, .5, .6): print(least, figures(chosen(P, least), every))
groups = [next((r['group'] for r in fields[k] if 'missed' not in r), '?') for k in keys]
best = chosen(P, LEAST)
for g in sorted(set(groups)):
    on = every & np.array([one == g for one in groups])
    if due[on].any(): print('%-16s' % g, int(due[on].sum()), 'found', int(any_right[torch.tensor(on & due)].sum()), figures(best, on) if any(on[f] for f in best) else '')
if 'misses' in sys.argv:
    for f, k in enumerate(keys):
        if not every[f] or (f in best and best[f][1]) or (not due[f] and f not in best): continue
        print(k[1], k[2], groups[f], 'due' if due[f] else 'empty')
        for i in sorted(by[f], key=lambda i: -P[i])[:4]: print('    %.2f %s %s @%d %s | %s' % (P[i], '*' if right[i] else ' ', values[i], kept[i]['place'], kept[i]['told'], kept[i]['said'][:80]))
if 'keep' in sys.argv:
    nets = [fit(np.ones(F, bool), seed + 1) for seed in range(NETS)]
    line = sum(net.line.weight for net in nets) / NETS
    inner, bias = torch.cat([net.inner.weight for net in nets]), torch.cat([net.inner.bias for net in nets])
    outer, last = torch.cat([net.outer.weight for net in nets], 1) / NETS, sum(net.outer.bias for net in nets) / NETS
    os.makedirs(OUT, exist_ok=True)
    weights = b''.join(t.detach().numpy().astype('<f4').tobytes() for t in (torch.cat([line.t(), inner.t()], 1).contiguous(), bias, outer.squeeze(0), last))
    open(f'{OUT}/weights.bin', 'wb').write(weights)
    files = sorted(f for folder in ('data/corpora/calls/looked_at', 'tests/Core/Extraction/cases') for name in ('sheet.json', 'calls.txt') for f in glob.glob(f'{ROOT}/{folder}/*/{name}'))
    data = hashlib.sha256(b''.join(open(f, 'rb').read() for f in files)).hexdigest()
    json.dump({'about': 'How the values of a record are chosen (training/records.py).', 'data_sha256': data, 'weights_sha256': hashlib.sha256(weights).hexdigest(), 'hidden': HIDDEN * NETS, 'least': LEAST, 'left_out': figures(best, every) | {'from': LEAST}, 'signs': list(names)}, open(f'{OUT}/records.json', 'w'), indent=1)
    with torch.no_grad(): s = sum(net(M) for net in nets) / NETS
    os.makedirs(f'{ROOT}/tests/Core/Extraction/Weighing', exist_ok=True)
    json.dump([{'signs': {k: v for k, v in list(kept[i]['signs'].items()) + [('type:' + kept[i]['group'], 1.)]}, 'score': round(float(s[i]), 5)} for i in range(0, N, max(1, N // 40))], open(f'{ROOT}/tests/Core/Extraction/Weighing/sample.json', 'w'))
    print('kept', len(weights), 'bytes')
