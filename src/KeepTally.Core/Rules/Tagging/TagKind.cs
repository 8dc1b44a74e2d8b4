namespace KeepTally.Core.Rules.Tagging;

/// <summary>Something a tap may say besides its outcome, such as the finish: the values by id, each with its words.</summary>
public sealed record TagKind(string Id, string Label, IReadOnlyList<KeyValuePair<string, string>> Values);
