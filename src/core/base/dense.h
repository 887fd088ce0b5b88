// Work on matrices whose size is known only when it runs, compiled once: the library's templates
// for it take seconds in every file that names them.
#pragma once

#include <complex>

#include <Eigen/Core>

namespace wl {

/// Roots of a square matrix and, column by column, the vectors to them.
struct Spectrum {
    Eigen::VectorXcd roots;
    Eigen::MatrixXcd vectors;
};

/// The spectrum of a square real matrix with finite numbers (QR algorithm, Eigen 3.4 EigenSolver).
Spectrum spectrumOf(const Eigen::MatrixXd& matrix);

/// Its roots alone.
Eigen::VectorXcd rootsOf(const Eigen::MatrixXd& matrix);

/// x of a x = b, a square and regular (LU with row exchange).
Eigen::VectorXcd solved(const Eigen::MatrixXcd& a, const Eigen::VectorXcd& b);

/// x of a x = b, a symmetric and definite, or nearly (LDLT).
Eigen::VectorXd solvedSymmetric(const Eigen::MatrixXd& a, const Eigen::VectorXd& b);

/// Factors of the columns of `terms` that come nearest to `values` (least squares, normal
/// equations: for a few well-scaled columns). `terms` has as many rows as `values`, at least as
/// many as columns.
Eigen::VectorXd leastSquares(const Eigen::MatrixXd& terms, const Eigen::VectorXd& values);

/// The inverse of a regular square matrix (LU with row exchange).
Eigen::MatrixXd inverseOf(const Eigen::MatrixXd& matrix);

/// a b, and a' b.
Eigen::MatrixXd product(const Eigen::MatrixXd& a, const Eigen::MatrixXd& b);
Eigen::MatrixXd turnedProduct(const Eigen::MatrixXd& a, const Eigen::MatrixXd& b);

}  // namespace wl
