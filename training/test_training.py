"""Holds training to what the program relies on: python3 test_training.py."""
import os, tempfile, unittest
from types import SimpleNamespace
import numpy as np, torch
import arrange, average, export, features, mix, rough, runs, train
from net import LANES, OUT, Net

HERE = os.path.dirname(os.path.abspath(__file__))
SHIPPED = HERE + "/../core/src/main/resources/looseecho/activity/"


class TrainingTest(unittest.TestCase):
    def setUp(self):
        self.dir = tempfile.TemporaryDirectory()
        self.addCleanup(self.dir.cleanup)
        torch.manual_seed(4)

    def path(self, name):
        return os.path.join(self.dir.name, name)

    def test_weights_are_read_back_as_they_were_written(self):
        net = Net(channels=16).eval()
        x = torch.randn(2, 300, 80, 2)
        with torch.no_grad():
            net.train(), net(x), net.eval()
            before = net(x)
        export.write(net, self.path("a.bin"))
        again = export.net_of(self.path("a.bin"), x).eval()
        with torch.no_grad():
            error = (again(x) - before).abs().max().item()
        self.assertLess(error, 0.02 * before.abs().max().item())  # 16 bits a weight

    def test_the_mean_of_weights_lies_between_them(self):
        for name, value in (("a.bin", 1.0), ("b.bin", 3.0)):
            export.write_tensors([torch.full((2, 3), value), torch.arange(4.0) * value], self.path(name))
        average.main(self.path("a.bin"), self.path("b.bin"), "0.75", self.path("m.bin"))
        mean = export.stored_tensors(self.path("m.bin"))
        np.testing.assert_allclose(mean[0], 2.5, rtol=1e-4)
        np.testing.assert_allclose(mean[1], np.arange(4) * 2.5, atol=1e-3)
        with self.assertRaises(ValueError):
            average.average(mean, mean[::-1], 0.5)

    def test_targets_peak_at_the_hit_and_leave_out_what_nobody_hears(self):
        song = {
            "drums": np.array([[0.5, 0, 0.8, 0.0], [1.0, 1, 0.6, -20.0]]),
            "beats": np.array([0.5, 1.0]),
            "downs": np.array([True, False]),
        }
        y, loudness, counts = train.targets(song, 150)
        self.assertEqual(50, y[:, 0].argmax())
        self.assertAlmostEqual(1, y[50, 0], places=6)
        self.assertAlmostEqual(0.8, loudness[50, 0], places=6)
        self.assertEqual(0, counts[100, 1], "a hit that is masked does not count")
        self.assertEqual(1, counts[100, 0])
        self.assertEqual([50], list(np.flatnonzero(y[:, LANES + 1] > 0.99)))

    def test_fuller_songs_have_other_parts_and_seldom_hand_percussion(self):
        songs = [arrange.song(np.random.default_rng(seed)) for seed in range(40)]
        by_hand = sum(any(e[1] in arrange.HANDS for e in s["events"]) for s in songs)
        self.assertTrue(2 < by_hand < 20, by_hand)
        parts = {e[0] for s in songs for e in s["tonal"]}
        self.assertEqual(set(mix.PROGRAMS), parts)
        for s in songs:
            times = [e[0] for e in s["events"]]
            self.assertEqual(times, sorted(times))
            self.assertTrue(all(0 < t < s["end"] + 1 for t in times))
            self.assertTrue(all(0 <= n[3] < 128 and n[2] > n[1] for n in s["tonal"]))
        again = arrange.song(np.random.default_rng(3))
        self.assertEqual(songs[3]["events"], again["events"])

    def test_a_codec_moves_nothing_in_time(self):
        x = np.random.default_rng(0).standard_normal((2, 60000)).astype(np.float32) * 1e-3
        x[:, 30000] = 0.9
        for seed in range(6):
            y = rough.coded(np.random.default_rng(seed), x)
            self.assertEqual(x.shape, y.shape)
            self.assertLessEqual(abs(int(np.abs(y[0]).argmax()) - 30000), 2)

    def test_a_channel_plays_one_stroke_at_a_time(self):
        events = [[0.1, "kick", 1], [0.3, "snare", 1], [0.5, "kick", 1], [0.9, "snare", 1]]
        for seed in range(20):
            stops = rough.shared(np.random.default_rng(seed), events)
            for i, seconds in stops.items():
                end = events[i][0] + seconds
                self.assertTrue(any(abs(e[0] - end) < 1e-9 for e in events[i + 1 :]))
            self.assertNotIn(3, stops)
            self.assertLessEqual(stops[0], 0.4 + 1e-9, "at the latest by its own next stroke")

    def test_a_run_is_counted_in_steps_and_written_down(self):
        rates = [train.rate_at(s, 1000, 1e-3) for s in range(1000)]
        self.assertLess(rates[0], rates[99])
        self.assertLess(rates[999], 2e-5)
        net = torch.nn.Linear(1, 1)
        told = []
        x = torch.ones(4, 1)
        optimiser = torch.optim.AdamW(net.parameters(), 0.05)
        train.learn(net, optimiser, 400, 0.05, lambda: (net(x) - 3).square().mean(), 200, lambda s, _: told.append(s))
        self.assertEqual([200, 400], told)
        self.assertAlmostEqual(3, net(x)[0].item(), places=1)
        export.write_tensors([torch.ones(2)], self.path("w.bin"))
        a = SimpleNamespace(out=self.path("w.bin"), start=None, data="songs", steps=400, rate=0.05, threads=1)
        runs.note(a, 12, 0.9)
        with open(self.path("runs.csv")) as file:
            lines = file.read().splitlines()
        self.assertEqual(2, len(lines))
        self.assertIn(runs.checksum(self.path("w.bin")), lines[1])

    def test_the_record_names_the_shipped_weights(self):
        with open(HERE + "/README.md") as file:
            record = file.read()
        for name in ("activity-net-1", "activity-net-2", "bass-net", "riff-net"):
            self.assertIn(runs.checksum(SHIPPED + name + ".bin"), record, name)

    def test_a_scorer_counts_each_hit_once(self):
        self.assertAlmostEqual(2 / 3, train.f_score([1.0, 2.0], np.array([1.01]), 0.05))
        self.assertAlmostEqual(0.5, train.f_score([1.0], np.array([1.0, 1.01, 1.02]), 0.05))
        x = features.features(np.sin(np.arange(44100) * 0.2).astype(np.float32))
        self.assertEqual((101, 80), x.shape[:2])
        self.assertEqual(10, OUT)


if __name__ == "__main__":
    unittest.main()
