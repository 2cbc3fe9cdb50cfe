namespace Wellsedes.Core.Plans;

/// <summary>One alternative layout of the shell. Schemes are shown in the order of their Order, then of their ids.</summary>
public sealed record Scheme(string Id, string Name, int Order = 0) : Entity(Id);
