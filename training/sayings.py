#!/usr/bin/python3
"""Trains of which kind a saying is: a softmax over hashed features and what the saying means, a vector.

questions: what kind of thing answers a question (data/corpora/questions.tsv); objections: what somebody who is rung has against it
(data/corpora/objections/training.tsv, and harmless lines of acts.jsonl as '-'); wishes: how a day or a time that a caller names is meant
(data/corpora/wishes.txt, written out by training/wish_tokens.php; plain ones put together count less); requests: whether a question wants
something done or wants to know (data/corpora/requests.tsv, and what was asked elsewhere, which counts less).
preambles: what callers say before they come to the matter (data/corpora/preambles.tsv, and sayings of trades, which are none of it).
Needs the Debian packages python3-numpy and python3-torch.
Run: php training/saying_tokens.php NAME > sayings.jsonl; /usr/bin/python3 training/sayings.py NAME sayings.jsonl (a minute or two)
The figures come from five folds by saying; the weights that are kept saw all of them.
"""
import collections, hashlib, json, os, sys, zlib
import numpy as np, torch

ROOT = os.path.dirname(os.path.dirname(os.path.abspath(__file__)))
NAME = sys.argv[1]
# Where the sayings stand, where the sample for PHP goes, whether what a saying means is used, what a saying from elsewhere counts, how
# weakly weights are drawn to nought, and how many sayings must share a place
CORPUS, SAMPLE, MEANING, ELSEWHERE, C, LEAST = {'questions': ('questions.tsv', 'Knowledge/wanted.json', False, 1.0, 4.0, 1), 'objections': ('objections/training.tsv', 'Dialogue/objections.json', True, .05, 10.0, 3), 'wishes': ('wishes.txt', 'Diary/senses.json', False, .3, 1.0, 2), 'requests': ('requests.tsv', 'Dialogue/requests.json', True, .2, 4.0, 2), 'preambles': ('preambles.tsv', 'Dialogue/preambles.json', True, .5, 4.0, 3)}[NAME]
OUT = f'{ROOT}/core/Language/en/{NAME}'
TOKENS = 'wish_tokens' if NAME == 'wishes' else 'saying_tokens'
PLACES, LENGTH, EPOCHS = 65536, 4.0, 60
torch.manual_seed(7); np.random.seed(7); torch.set_num_threads(1)
rows = [json.loads(line) for line in open(sys.argv[2])]
own = sum(r['own'] for r in rows) if NAME == 'wishes' else sum(1 for line in open(f'{ROOT}/data/corpora/{CORPUS}') if line.strip())
kinds = sorted({r['type'] for r in rows})
truth = torch.tensor([kinds.index(r['type']) for r in rows])
meant = LENGTH * torch.tensor([r.get('meaning', [0.0]) for r in rows])
counts = torch.tensor([1.0 if i < own else ELSEWHERE for i in range(len(rows))])
fold = np.array([zlib.crc32(r['said'].encode()) % 5 for r in rows])
# Only places that several sayings share take part and count for the length; the others stay nought.
met = collections.Counter(p for r in rows for p in r['features'])
used = sorted(p for p in met if met[p] >= LEAST); at_place = {p: i for i, p in enumerate(used)}

def bag(at):
    feats = [[at_place[p] for p in rows[i]['features'] if p in at_place] for i in at]
    return torch.tensor([p for f in feats for p in f]), torch.tensor(np.cumsum([0] + [len(f) for f in feats[:-1]])), torch.tensor([LENGTH / max(1, len(f)) ** .5 for f in feats for _ in f])

def fit(at):
    layer = torch.nn.EmbeddingBag(len(used), len(kinds), mode='sum'); torch.nn.init.zeros_(layer.weight)
    bias, mean = torch.nn.Parameter(torch.zeros(len(kinds))), torch.nn.Parameter(torch.zeros(meant.shape[1], len(kinds)))
    learned = [layer.weight, bias] + ([mean] if MEANING else [])
    optimiser = torch.optim.Adam(learned, lr=.02)
    ids, offsets, weights = bag(at); n = counts[at].sum()
    for epoch in range(EPOCHS):
        out = layer(ids, offsets, per_sample_weights=weights) + bias + (meant[at] @ mean if MEANING else 0)
        loss = (torch.nn.functional.cross_entropy(out, truth[at], reduction='none') * counts[at]).sum() / n + ((layer.weight ** 2).sum() + (mean ** 2).sum()) / (2 * C * n)
        optimiser.zero_grad(); loss.backward(); optimiser.step()
    return layer, bias, mean

def scores(model, at):
    with torch.no_grad():
        ids, offsets, weights = bag(at)
        return (model[0](ids, offsets, per_sample_weights=weights) + model[1] + meant[at] @ model[2]).numpy()

left_out = np.zeros((len(rows), len(kinds)))
for f in range(5):
    at = np.where(fold == f)[0]
    left_out[at] = torch.softmax(torch.tensor(scores(fit(np.where(fold != f)[0]), at)), 1).numpy()
right = (left_out.argmax(1) == truth.numpy())[:own].mean()
print('right of those left out', right)
if '-' in kinds:
    none = kinds.index('-'); t = truth.numpy(); some = left_out.copy(); some[:, none] = 0; best, p = some.argmax(1), some.max(1)
    for least in (.4, .5, .6, .7): print(least, 'right %.3f wrong %.3f; taken of what is none: own %.3f elsewhere %.3f' % (((p >= least) & (best == t))[:own][t[:own] != none].mean(), ((p >= least) & (best != t))[:own][t[:own] != none].mean(), (p >= least)[:own][t[:own] == none].mean(), (p >= least)[own:].mean()))
layer, bias, mean = fit(np.arange(len(rows)))
W = layer.weight.detach().numpy(); unit = float(np.abs(W).max() / 127)
q = np.clip(np.round(W / unit), -127, 127).astype(np.int8)
# A place that counts nothing is told from one that was left out by the least it can count.
if LEAST > 1: q[(q == 0).all(1), 0] = 1
whole = np.zeros((PLACES, len(kinds)), np.int8); whole[used] = q
layer.weight.data = torch.tensor(q.astype(np.float32) * unit)
parts = [whole.tobytes()]; more = {}
if MEANING:
    M = mean.detach().numpy(); worth = float(np.abs(M).max() / 127); m = np.clip(np.round(M / worth), -127, 127).astype(np.int8)
    parts.append(m.tobytes()); mean.data = torch.tensor(m.astype(np.float32) * worth); more = {'meaning': worth}
os.makedirs(OUT, exist_ok=True)
open(f'{OUT}/weights.bin', 'wb').write(b''.join(parts))
sha = lambda path: hashlib.sha256(open(path, 'rb').read()).hexdigest()
json.dump({'kinds': kinds, 'unit': unit, 'bias': [float(x) for x in bias.detach()]} | more | ({'shared': True} if LEAST > 1 else {}) | {'sayings': len(rows), 'right_left_out': round(float(right), 3), 'corpus_sha256': sha(f'{ROOT}/data/corpora/{CORPUS}'), 'weights_sha256': sha(f'{OUT}/weights.bin'), 'command': f'php training/{TOKENS}.php{"" if NAME == "wishes" else " " + NAME} > sayings.jsonl; /usr/bin/python3 training/sayings.py {NAME} sayings.jsonl'}, open(f'{OUT}/{NAME}.json', 'w'), indent=1)
at = np.arange(0, own, own // 30)
sample = torch.softmax(torch.tensor(scores((layer, bias, mean), at)), 1).numpy()
json.dump([{k: rows[i][k] for k in ('said', 'at', 'before') if k in rows[i]} | {'of': [round(float(x), 5) for x in sample[n]]} for n, i in enumerate(at)], open(f'{ROOT}/tests/Core/{SAMPLE}', 'w'))
