using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// What frames ask of a clause, and the way it tells.
public sealed partial class SentenceReader
{
    /// <summary>What frames ask of a clause.</summary>
    private sealed class Facts : IClauseFacts
    {
        private readonly SentenceReader _reader;
        private readonly Clause _clause;
        private readonly string _words;
        private string? _way;
        private string? _kind;

        public Facts(SentenceReader reader, Clause clause)
        {
            (_reader, _clause) = (reader, clause);
            var tokens = reader._finder.Tokens;
            _words = $" {string.Join(' ', tokens.Take(clause.To).Skip(clause.From).Select(t => t.Text))} ";
            Objects = FindObjects();
        }

        /// <summary>What the verb is done to.</summary>
        public List<NounPhrase> Objects { get; }

        public bool Has(Looks looks, string what) => looks switch
        {
            Looks.Way => (_way ??= WayOf()) == what,
            Looks.Word => what.Contains(' ') ? _words.Contains($" {what} ", StringComparison.Ordinal) : _reader.Has(_clause, what),
            Looks.Head => Objects.Exists(o => o.Head == what || o.IsPronoun && _reader.Spoken.Last.Any(t => NameIndex.NamesOf(t)[0][^1] == what)),
            Looks.Kind when what == "soil" => Objects.Exists(o => !o.IsPronoun && Trade.Soil.Contains(o.Head)),
            Looks.Kind when what == "wired" => Objects.Exists(o => !o.IsPronoun && Trade.Wired.Contains(o.Head)),
            Looks.Kind => what == "thing" ? Kind() is not ("vehicle" or "none" or "words") : Kind() == what,
            Looks.Value => Values(_clause).Any(v => what switch { "torque" => v.Kind == TokenKind.Torque, "angle" => v.Kind == TokenKind.Angle, "time" => v.Kind == TokenKind.Time, _ => _reader.Has(_clause, what) }),
            Looks.Rest => _clause.Pieces.Exists(p => p.Noun is { After: "against" or "on" or "onto" or "in" or "into" or "to" or "over" or "with" } n
                && (n.After != "with" || n.Head == "scrap") && LiesAt(n, Kind())),
            _ => throw new ArgumentOutOfRangeException(nameof(looks)),
        };

        private List<NounPhrase> FindObjects()
        {
            var found = new List<NounPhrase>();
            if (_clause.Mood is Mood.Passive or Mood.Declarative)
            {
                var verbAt = _clause.VerbAt < 0 ? int.MaxValue : _reader._finder.Tokens[_clause.VerbAt].At.Start;
                foreach (var piece in _clause.Pieces)
                    if (piece.Noun is { After: null } subject && piece.At.Start < verbAt) found.Add(subject);
                return found.Count == 0 && _clause.Of is { } named ? new Facts(_reader, named).Objects : found;
            }

            if (_clause.Shares && _reader._clauses.IndexOf(_clause) is var own && own + 1 < _reader._clauses.Count)
            {
                _reader._finder.Fill(_reader._clauses[own + 1]);
                return new Facts(_reader, _reader._clauses[own + 1]).Objects;
            }

            // "Offer up the plate", "take off the cover, the gasket and the seal".
            if (_clause.Pieces is [{ Way: { } way }, { Noun: { } near }, ..] && near.After == way
                && way is "off" or "out" or "up" or "down" or "back" or "away")
                // "Take out the bolts and the pads": both.
                found.AddRange(_clause.Pieces.Skip(1).TakeWhile(p => p.Noun?.After == way).Select(p => p.Noun!));
            // "Slide on the slice, then the cover".
            else if (_clause.Pieces is [{ Way: "on" or "in" }, { Noun: { After: "on" or "in" } first }, { Noun.After: null } next, ..]
                && _reader._text[first.At.End..next.At.Start].Trim() is ['a', 'n', 'd', ..] or [',', ..]) found.Add(first);
            foreach (var piece in _clause.Pieces)
                if (piece.Noun is { After: null } direct && !direct.Text.StartsWith("somewhere ", StringComparison.Ordinal)) found.Add(direct);
            // "Run the bolt out, 30 mm socket and a long bar": with them.
            if (found.Count > 1 && !found[0].IsPronoun && !found[0].Is(ThingKind.Tool))
                foreach (var tool in found.Skip(1).Where(o => !o.IsPronoun && o.Is(ThingKind.Tool) && _reader._refer.Known(o) is null or Tool).ToList())
                {
                    found.Remove(tool);
                    _reader.UseNamed(tool);
                }
            // "Input shaft: pull straight out, slide hammer": with that.
            if (found is [{ IsPronoun: false } means] && means.Is(ThingKind.Tool)
                && _clause.Pieces.Exists(p => p.Way is not null && p.At.Start < means.At.Start)
                && _reader._text[..means.At.Start].TrimEnd().EndsWith(',') && _reader._refer.Known(means) is null or Tool)
            {
                found.Clear();
                _reader.UseNamed(means);
            }

            if (found.Exists(o => o.IsPronoun || !Trade.IsNoObject(o))) return [.. found.Where(o => o.IsPronoun || !Trade.IsNoObject(o)
                || _reader._refer.Known(o) is not null)];
            // "Tap round the cover": no other than that.
            if (found.Count == 0 && _clause.Pieces is [{ Noun: { After: "round" or "around" or "along" } about }, ..]) return [about];
            // "Take off the wheel", "go over the nuts": what stands behind the particle of the verb.
            var particle = -1;
            for (var i = 0; i < _clause.Pieces.Count; i++)
            {
                if (_clause.Pieces[i].Way is not null)
                {
                    particle = i;
                    continue;
                }

                if (_clause.Pieces[i].Noun is { After: { } after } noun && (particle >= 0 && Trade.Paths.Contains(after) || after is "for" or "at" or "of" or "to" && found.Count > 0 && Trade.NounOf(found[0].Stems)?.Role == NounRole.Words))
                {
                    var more = new List<NounPhrase> { noun };
                    for (var k = i + 1; k < _clause.Pieces.Count && _clause.Pieces[k].Noun is { } next && next.After == after; k++) more.Add(next);
                    return more;
                }

                if (_clause.Pieces[i].Noun is not null) break;
            }

            return found;
        }

        // A joint that is run or pulled down goes on.
        private string WayOf()
        {
            var way = _reader.Way(_clause);
            // "Wiggle the battery down past the loom": what is off goes down to where it belongs.
            if (way == "off" && !_clause.Pieces.Exists(p => p.Way is { } w && StrongOff.Contains(w) || p.Noun?.After == "from")
                && Objects is [{ IsPronoun: false } one] && _reader._refer.Known(one) is Part off && _reader.Spoken.IsOff(off) is true) return "on";
            return way == "off" && Kind() == "joint" && _clause.Pieces.Exists(p => p.Way == "down") && !_clause.Pieces.Exists(p => p.Way is { } w && StrongOff.Contains(w)) ? "on" : way;
        }

        private string Kind()
        {
            if (_kind is not null) return _kind;
            _kind = "none";
            foreach (var phrase in Objects)
            {
                var kind = KindOf(phrase);
                if (kind == "words" && Objects.Count > 1) continue;
                return _kind = kind;
            }

            if (Objects.Count == 0 && _reader.Spoken.Last.Count > 0 && _clause.Mood == Mood.Imperative) _kind = _reader.Spoken.Vehicle ? "vehicle" : "none";
            return _kind;
        }

        private string KindOf(NounPhrase phrase)
        {
            if (_reader.HardwareOf(phrase, Sense.Say).Count > 0 || phrase.IsPronoun && _reader.OnesOf(_clause, phrase, Sense.Say).Count > 0) return "joint";
            if (phrase.IsPronoun)
            {
                if (phrase.Text is "her" or "she" || phrase is { After: null, Distinct: ["front" or "rear"], Count: null }) return "vehicle";
                // "Start on the left": where.
                if (phrase is { Distinct.Count: > 0, After: "on" or "at" or "from" or "to" or "in" }) return "words";
                // What is turned by an angle or to a torque is a fastener.
                if (Values(_clause).Any(v => v.Kind is TokenKind.Torque or TokenKind.Angle) && _reader._refer.Meant(phrase, k => k == ThingKind.Joint).Count > 0) return "joint";
                if (phrase.Text is "it" or "them" or "one" or "ones" && _reader._unnamed is { } said
                    && Trade.NounOf(said.Stems) is { Kinds: [var of, ..] }) return of.ToString().ToLowerInvariant();
                if (phrase.Text is "it" && _reader._topic is { } topic && _reader._actions.Count == 0)
                    return (_reader._refer.Known(topic)?.Kind ?? (Trade.NounOf(topic.Stems) is { Kinds: [var sort, ..] } ? sort
                        : ThingKind.Part)).ToString().ToLowerInvariant();
                // "Wheel on. Drop it down": the vehicle, where what is in hand is on again.
                if (phrase.Text is "it" && _reader.Spoken.Raised && _clause.Verb?.Lemma is "drop" or "lower" or "let"
                    && (_reader.Has(_clause, "down") && (_reader._actions.Count == 0
                        || _clause.Verb.Lemma == "let" && _reader._actions is [.., { Verb: Verb.Remove or Verb.TakeAway }])
                    || !_clause.Pieces.Exists(p => p.Way is not null) && _reader._actions is [.., { Verb: Verb.Snug or Verb.Start }])
                        && (_reader._actions is [.., { Verb: Verb.Remove or Verb.TakeAway }] || _reader.Spoken.Last.All(t => _reader.Spoken.IsOff(t) is false)))
                    return "vehicle";
                if (phrase.Text is "it" && (_reader.Spoken.Vehicle || _reader.Spoken.Last.Count == 0)) return "vehicle";
                return _reader._refer.Meant(phrase, _ => true) is { Count: > 0 } meant ? meant[0].Kind.ToString().ToLowerInvariant() : "none";
            }

            // "Connect the air line to the compressor": a line, whatever else is called so.
            if (_clause.Verb?.Lemma is "connect" or "reconnect" or "couple" or "attach" && Trade.NounOf([phrase.Head]) is { Kinds: [ThingKind.Connection, ..] }
                && Trade.NounOf(phrase.Stems) is { Kinds: [ThingKind.Tool, ..] } && _clause.Nouns.Any(n => n.After == "to")) return "connection";
            if (_reader._refer.Known(phrase) is { } known) return known.Kind.ToString().ToLowerInvariant();
            if (_reader.HouseKind(phrase) is { } taught) return taught.ToString().ToLowerInvariant();
            if (_reader._refer.Doubtful.Count > 0) return _reader._refer.Doubtful[0].Kind.ToString().ToLowerInvariant();
            // "Stick the switch in the dash": it is a part, and nobody switches it.
            if (Trade.Wired.Contains(phrase.Head) && phrase.Is(ThingKind.Control) && _clause.Verb?.Lemma is not ("push" or "press" or "turn")
                && GoesInto(_clause)) return "part";
            // "Slide the deck out to the right": off, and no lever.
            if (phrase.Head == "deck" && _clause.Pieces.Exists(p => p.Way is "out" or "off" or "away"
                || p.Noun is { After: "from" or "off" or "out" })) return "part";
            return Trade.NounOf(phrase.Stems) switch
            {
                { Role: NounRole.Vehicle } => "vehicle",
                { Role: NounRole.Words or NounRole.Place or NounRole.Person } when Trade.IsNoObject(phrase) => "words",
                { Kinds: [var first, ..] } => first.ToString().ToLowerInvariant(),
                _ => "part",
            };
        }
    }

    private static readonly HashSet<string> StrongOff = ["off", "out", "away", "free", "apart"];
    private static readonly HashSet<string> StrongOn = ["in", "into", "on", "onto", "home", "together"];
    private static readonly HashSet<string> WeakOn = ["over", "back", "up", "around", "round", "under"];

    // "The pair in the yoke come out": where the subject is, not where it goes.
    private bool OfSubject(Clause clause, int i) => clause.Mood is Mood.Passive or Mood.Declarative && clause.VerbAt >= 0
        && clause.Pieces[i].At.Start < _finder.Tokens[clause.VerbAt].At.Start;

    // "The clip on the tube": no way, but which clip.
    private static bool TellsWhose(Clause clause, int i) =>
        i > 0 && i + 1 < clause.Pieces.Count && clause.Pieces[i].Way is "on" or "in" or "over" or "under" && clause.Pieces[i].Way is { } way
            && clause.Pieces[i + 1].Noun is { IsPronoun: false } place && place.After == way
        && clause.Pieces[i - 1].Noun is { IsPronoun: false } noun && noun.OwnerName == place.Name;

    // "With the hub in it": no way, but what comes along.
    private static bool TellsWhatIsOnIt(Clause clause, int i) => i + 1 < clause.Pieces.Count
        && clause.Pieces[i + 1].Noun is { IsPronoun: true, After: { } after } && after == clause.Pieces[i].Way
        && clause.Pieces.Take(i).Any(p => p.Noun is { After: "with" });

    /// <summary>Whether a clause tells of coming off or going on: by its first plain word of the way, else by a weaker one.</summary>
    private string Way(Clause clause)
    {
        var weak = "";
        for (var i = 0; i < clause.Pieces.Count; i++)
        {
            if (clause.Pieces[i].Way is not { } way || OfSubject(clause, i) || TellsWhose(clause, i) || TellsWhatIsOnIt(clause, i)) continue;
            // "From the hole in the frame": where that is.
            if (way is "in" or "on" && i > 0 && clause.Pieces[i - 1].Noun is { After: "from", IsPronoun: false }) continue;
            if (StrongOff.Contains(way)) return "off";
            if (StrongOn.Contains(way)) return "on";
            if (weak.Length == 0 && WeakOn.Contains(way)) weak = "on";
            if (weak.Length == 0 && way is "down" or "loose") weak = "off";
        }

        if (weak == "off" && clause.Pieces.Exists(p => p.Noun is { After: "over" or "to" or "onto" })) return "on";
        // "Tap it through from the front" tells where one stands.
        if (weak.Length == 0 && clause.Pieces.Exists(p => p.Noun is { After: "from" } n
            // "The wire from the relay goes to the switch": which wire.
            && !(clause.Mood == Mood.Declarative && clause.VerbAt >= 0 && n.At.Start < _finder.Tokens[clause.VerbAt].At.Start)
                && !(n.IsPronoun || n.Distinct.Count > 0 && n.Stems.Count == n.Distinct.Count
            || Trade.NounOf(n.Stems) is { Role: NounRole.Place or NounRole.Vehicle }))) return "off";
        if (weak.Length == 0 && clause.Pieces.Exists(p => p.Noun is { After: "to" or "against" or "behind" })) return "on";
        return weak.Length > 0 ? weak : "none";
    }

    // Where things are put down and nothing is fitted: "on a bench", "in the bin", "on the jack", "in the tray".
    private static bool LiesAt(NounPhrase place, string kind = "part") =>
        (place is { After: "on" or "onto", IsIndefinite: true } && Trade.Rests.Contains(place.Head)
            || place.After is "on" or "onto" or "in" && Trade.WorkRests.Contains(place.Head)
            || Trade.NounOf(place.Stems) is { Role: NounRole.Place }
            || place is { After: "in" or "into", Head: "tray" or "bucket" or "box" or "bag", IsPronoun: false, IsIts: false } && kind != "fluid")
        && place.Head is not ("bottom" or "top" or "middle" or "inside" or "outside" or "place" or "side"
            // "Press it into the opening": where it belongs.
            or "opening" or "aperture" or "cutout");
}
