using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace KeepTally.Bench;

/// <summary>One small change of a source file that a test should notice.</summary>
/// <param name="File">The file.</param>
/// <param name="Line">The line, from 1.</param>
/// <param name="Before">What stands there.</param>
/// <param name="After">What is put in its place.</param>
/// <param name="Text">The whole text of the file with the change.</param>
internal sealed record Mutation(string File, int Line, string Before, string After, string Text)
{
    private static readonly Dictionary<SyntaxKind, string[]> Operators = new()
    {
        [SyntaxKind.LessThanExpression] = ["<="],
        [SyntaxKind.LessThanOrEqualExpression] = ["<"],
        [SyntaxKind.GreaterThanExpression] = [">="],
        [SyntaxKind.GreaterThanOrEqualExpression] = [">"],
        [SyntaxKind.EqualsExpression] = ["!="],
        [SyntaxKind.NotEqualsExpression] = ["=="],
        [SyntaxKind.AddExpression] = ["-"],
        [SyntaxKind.SubtractExpression] = ["+"],
        [SyntaxKind.MultiplyExpression] = ["/"],
        [SyntaxKind.DivideExpression] = ["*"],
        [SyntaxKind.LogicalAndExpression] = ["||"],
        [SyntaxKind.LogicalOrExpression] = ["&&"],
    };

    private static readonly Dictionary<string, string> Twins = new()
    {
        ["Min"] = "Max",
        ["Max"] = "Min",
        ["Any"] = "All",
        ["All"] = "Any",
        ["First"] = "Last",
        ["Last"] = "First",
        ["FirstOrDefault"] = "LastOrDefault",
        ["LastOrDefault"] = "FirstOrDefault",
        ["MinBy"] = "MaxBy",
        ["MaxBy"] = "MinBy",
        ["OrderBy"] = "OrderByDescending",
        ["OrderByDescending"] = "OrderBy",
        ["ThenBy"] = "ThenByDescending",
        ["ThenByDescending"] = "ThenBy",
        ["Skip"] = "Take",
        ["Ceiling"] = "Floor",
        ["Floor"] = "Ceiling",
    };

    /// <summary>Every change of a file.</summary>
    internal static IEnumerable<Mutation> Of(string file)
    {
        var text = System.IO.File.ReadAllText(file);
        foreach (var node in CSharpSyntaxTree.ParseText(text).GetRoot().DescendantNodes())
        {
            foreach (var (span, after) in ChangesOf(node))
            {
                var before = text.Substring(span.Start, span.Length);
                yield return new Mutation(
                    file,
                    node.SyntaxTree.GetLineSpan(span).StartLinePosition.Line + 1,
                    before,
                    after,
                    string.Concat(text.AsSpan(0, span.Start), after, text.AsSpan(span.End))
                );
            }
        }
    }

    private static IEnumerable<(Microsoft.CodeAnalysis.Text.TextSpan Span, string After)> ChangesOf(SyntaxNode node)
    {
        switch (node)
        {
            // Texts are put together by the same sign.
            case BinaryExpressionSyntax binary when Operators.TryGetValue(binary.Kind(), out var others) && !IsOfText(binary):
                foreach (var other in others)
                {
                    yield return (binary.OperatorToken.Span, other);
                }

                break;
            case LiteralExpressionSyntax literal when literal.IsKind(SyntaxKind.TrueLiteralExpression):
                yield return (literal.Span, "false");
                break;
            case LiteralExpressionSyntax literal when literal.IsKind(SyntaxKind.FalseLiteralExpression):
                yield return (literal.Span, "true");
                break;
            // Minus one stands for none, and minus two for none as well.
            case LiteralExpressionSyntax { Token.Value: int number }
                when !IsInAttribute(node) && !node.Parent.IsKind(SyntaxKind.UnaryMinusExpression):
                yield return (node.Span, $"{number + 1}");
                break;
            case ConditionalExpressionSyntax conditional:
                yield return (conditional.Condition.Span, $"!({conditional.Condition})");
                break;
            case IfStatementSyntax branch
                when !branch.Condition.DescendantNodesAndSelf().OfType<DeclarationPatternSyntax>().Any()
                    && !branch.Condition.DescendantNodesAndSelf().OfType<RecursivePatternSyntax>().Any():
                yield return (branch.Condition.Span, $"!({branch.Condition})");
                break;
            case MemberAccessExpressionSyntax { Parent: InvocationExpressionSyntax, Name: IdentifierNameSyntax name }
                when Twins.TryGetValue(name.Identifier.Text, out var twin):
                yield return (name.Span, twin);
                break;
        }
    }

    private static bool IsOfText(BinaryExpressionSyntax binary) =>
        binary
            .DescendantNodes()
            .Any(each =>
                each is InterpolatedStringExpressionSyntax
                || (each is LiteralExpressionSyntax literal && literal.IsKind(SyntaxKind.StringLiteralExpression))
            );

    private static bool IsInAttribute(SyntaxNode node) => node.Ancestors().Any(each => each is AttributeSyntax);
}
