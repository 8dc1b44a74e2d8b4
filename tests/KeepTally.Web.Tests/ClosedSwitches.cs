using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace KeepTally.Web.Tests;

/// <summary>
/// Finds switches over a closed set that would throw at a case they do not name. A closed set is an enum, or an abstract class
/// whose kinds stand within it. The compiler asks for a last arm there; this asks that nothing ever comes to it.
/// </summary>
internal static class ClosedSwitches
{
    /// <summary>Each switch that misses a case: "File.cs:12: PlanBlock misses Talk".</summary>
    internal static IEnumerable<string> Missing(CSharpCompilation compilation)
    {
        foreach (var tree in compilation.SyntaxTrees.Where(tree => tree.FilePath.Length > 0))
        {
            var model = compilation.GetSemanticModel(tree);
            foreach (var node in tree.GetRoot().DescendantNodes())
            {
                var (over, named) = node switch
                {
                    SwitchExpressionSyntax each when each.Arms.Any(arm => IsRest(arm)) => (
                        each.GoverningExpression,
                        each.Arms.Where(arm => arm.WhenClause is null).SelectMany(arm => Named(model, arm.Pattern))
                    ),
                    SwitchStatementSyntax each when each.Sections.Any(IsRest) => (
                        each.Expression,
                        each.Sections.SelectMany(section => section.Labels).SelectMany(label => Named(model, label))
                    ),
                    _ => default,
                };
                if (over is null || TypeOf(model, over) is not { } type)
                {
                    continue;
                }

                var seen = named.ToHashSet<ISymbol>(SymbolEqualityComparer.Default);
                string[] missing = [.. MembersOf(type).Where(member => !seen.Contains(member)).Select(member => member.Name)];
                if (missing.Length > 0)
                {
                    yield return $"{Path.GetFileName(tree.FilePath)}:{tree.GetLineSpan(node.Span).StartLinePosition.Line + 1}: {type.Name} misses {string.Join(", ", missing)}";
                }
            }
        }
    }

    /// <summary>The last arm, which throws whatever comes to it.</summary>
    private static bool IsRest(SwitchExpressionArmSyntax arm) =>
        arm is { Pattern: DiscardPatternSyntax, WhenClause: null, Expression: ThrowExpressionSyntax };

    private static bool IsRest(SwitchSectionSyntax section) =>
        section.Labels.Any(label => label is DefaultSwitchLabelSyntax) && section.Statements is [ThrowStatementSyntax];

    /// <summary>What is switched over; of what may be null, what it is else.</summary>
    private static ITypeSymbol? TypeOf(SemanticModel model, ExpressionSyntax over) =>
        model.GetTypeInfo(over).Type is INamedTypeSymbol { OriginalDefinition.SpecialType: SpecialType.System_Nullable_T } nullable
            ? nullable.TypeArguments[0]
            : model.GetTypeInfo(over).Type;

    /// <summary>All there is of a closed set; nothing of what is none.</summary>
    private static IEnumerable<ISymbol> MembersOf(ITypeSymbol type) =>
        type.TypeKind == TypeKind.Enum ? type.GetMembers().OfType<IFieldSymbol>().Where(field => field.HasConstantValue)
        : type is INamedTypeSymbol { IsAbstract: true, TypeKind: TypeKind.Class } closed
            ? closed.GetTypeMembers().Where(each => SymbolEqualityComparer.Default.Equals(each.BaseType, closed))
        : [];

    private static IEnumerable<ISymbol> Named(SemanticModel model, SwitchLabelSyntax label) =>
        label switch
        {
            CaseSwitchLabelSyntax plain when model.GetSymbolInfo(plain.Value).Symbol is { } symbol => [symbol],
            CasePatternSwitchLabelSyntax { WhenClause: null } pattern => Named(model, pattern.Pattern),
            _ => [],
        };

    /// <summary>The cases that a pattern takes whole.</summary>
    private static IEnumerable<ISymbol> Named(SemanticModel model, PatternSyntax pattern) =>
        pattern switch
        {
            BinaryPatternSyntax either when either.IsKind(SyntaxKind.OrPattern) =>
            [
                .. Named(model, either.Left),
                .. Named(model, either.Right),
            ],
            ParenthesizedPatternSyntax { Pattern: var inner } => Named(model, inner),
            ConstantPatternSyntax constant when model.GetSymbolInfo(constant.Expression).Symbol is { } symbol => [symbol],
            TypePatternSyntax type when model.GetSymbolInfo(type.Type).Symbol is { } symbol => [symbol],
            DeclarationPatternSyntax declared when model.GetSymbolInfo(declared.Type).Symbol is { } symbol => [symbol],
            RecursivePatternSyntax { Type: { } type } whole
                when TakesAll(whole) && model.GetSymbolInfo(type).Symbol is { } symbol => [symbol],
            _ => [],
        };

    /// <summary>Whether a pattern only takes a thing apart, and turns none away.</summary>
    private static bool TakesAll(RecursivePatternSyntax pattern) =>
        (pattern.PropertyPatternClause?.Subpatterns ?? [])
            .Concat(pattern.PositionalPatternClause?.Subpatterns ?? [])
            .All(part => part.Pattern is VarPatternSyntax or DiscardPatternSyntax);
}
